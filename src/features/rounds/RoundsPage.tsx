import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { coverTitle } from '../../catalogue/catalogue.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { roundCovers, wayToday } from '../../questions/rounds.ts';
import { countCrowns } from '../../records/commands/ending.ts';
import { logLook } from '../../records/commands/seed.ts';
import { type Failure } from '../../core/result/result.ts';
import type { Cover } from '../../records/types.ts';
import { useAnswers } from '../../ring/answers.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useDraft } from '../../ring/useDraft.ts';
import { NoAnswer, Page } from '../../ui/parts.tsx';
import { questionTitle, questionWhy } from '../../ui/questionWords.ts';
import { Walk } from './Walk.tsx';
import { CardBody } from './cards.tsx';
import { lookFrom, OF_TEN, type Pick } from './pick.ts';
import { type Stop } from './stop.ts';
import { type Standpoint, useStandpoint, WhatItMoved } from './WhatItMoved.tsx';

/** How far a walk has come; kept with every tap. */
interface WalkDraft {
  on: string;
  stops: Stop[];
  /** Index of the card that is open; -1 on the list. */
  at: number;
  done: Record<number, 'saved' | 'skipped'>;
  pick: Pick;
  /** Where the forecast stood before the open card was saved. */
  before: Standpoint | null;
}
const NOTHING: WalkDraft = { on: '', stops: [], at: -1, done: {}, pick: {}, before: null };

/** The walk past the beds: what is due today by what it is worth, in walking order, one question a card. */
export default function RoundsPage() {
  const ring = useGarden();
  const { garden, covers, today } = ring;
  const [draft, setDraft, clear] = useDraft<WalkDraft>(`rounds ${garden.id}`, NOTHING);
  const { answer, failure } = useDue();
  if (!draft) return <p className="p-6">One moment…</p>;
  const walking = draft.on === today && draft.stops.length > 0 ? draft : undefined;
  const stop = walking && walking.at >= 0 ? walking.stops[walking.at] : undefined;
  const cover = covers.find((c) => c.id === stop?.coverId);
  if (walking && stop && cover)
    return <Card walking={walking} stop={stop} cover={cover} failure={failure} setDraft={setDraft} />;
  const due: Stop[] = (answer ?? []).flatMap((b) =>
    b.questions.map((question) => ({ coverId: b.coverId, bedId: b.bedId, question })),
  );
  const way = wayToday(due, ring, today);
  const stops = walking?.stops ?? way.order;
  const done = walking?.done ?? {};
  const left = stops.findIndex((_, i) => !done[i]);
  const open = (at: number) => setDraft({ ...NOTHING, on: today, stops, done, at });
  return (
    <Walk
      stops={stops}
      done={done}
      notes={walking ? [] : way.notes}
      working={!answer && !walking}
      failure={failure}
      begin={() => open(Math.max(0, left))}
      begun={walking !== undefined}
      open={open}
      again={clear}
    />
  );
}

/** What is due today on every bed; nothing before all have answered. */
function useDue() {
  const ring = useGarden();
  const { today } = ring;
  // Bed by bed: both workers are at it, and after an answer only its bed is asked anew.
  const texts = useMemo(
    () => roundCovers(ring, today).map((c) => JSON.stringify({ covers: [c], today: dayOf(today) })),
    [ring, today],
  );
  const asked = useAnswers('rounds', texts);
  return {
    failure: asked.find((a) => a.failure)?.failure,
    answer: asked.every((a) => a.answer) ? asked.flatMap((a) => a.answer!) : undefined,
  };
}

interface OpenCard {
  walking: WalkDraft;
  stop: Stop;
  cover: Cover;
  failure: Failure | undefined;
  setDraft(draft: WalkDraft): void;
}

/** One question: asked, answered, and what the answer moved. */
function Card({ walking, stop, cover, failure, setDraft }: OpenCard) {
  const { garden, beds, today } = useGarden();
  const [jpeg, keepPicture] = useState<string | null>(null);
  const standpoint = useStandpoint(cover);
  const { question } = stop;
  const bedName = (id: string) => beds.find((b) => b.id === id)?.name ?? '';
  const saved = walking.done[walking.at] === 'saved';
  const next = walking.stops.findIndex((_, i) => i > walking.at && !walking.done[i]);
  const go = (at: number, done = walking.done) => {
    keepPicture(null);
    setDraft({ ...walking, at, done, pick: {}, before: null });
  };
  const save = useSave({ walking, stop, cover, setDraft }, jpeg, standpoint);
  return (
    <div className="garden-touch">
      <Page
        title={questionTitle(question)}
        lead={
          <span className="flex justify-between gap-4">
            <span>
              Bed {bedName(stop.bedId)} · {coverTitle(cover).toLowerCase()}
            </span>
            <span className="whitespace-nowrap">
              {walking.at + 1} of {walking.stops.length}
            </span>
          </span>
        }
      >
        <div className="mx-auto max-w-xl pb-24">
          <NoAnswer failure={failure} />
          <p className="text-bark mb-2">{questionWhy(question, garden.units)}</p>
          {saved ? (
            <WhatItMoved
              cover={cover}
              before={walking.before}
              now={standpoint}
              pick={walking.pick}
              question={question}
            />
          ) : (
            <CardBody
              question={question}
              cover={cover}
              pick={walking.pick}
              set={(pick) => setDraft({ ...walking, pick })}
              keepPicture={keepPicture}
            />
          )}
          <div className="bg-base-200 border-linen fixed inset-x-0 bottom-0 z-10 border-t p-3 sm:static sm:mt-5 sm:border-0 sm:p-0">
            {saved ? (
              <button type="button" className="btn btn-primary w-full" onClick={() => go(next)}>
                {next < 0 ? 'Back to the list' : `Next: ${nextWords(walking.stops[next]!, stop, bedName)}`}
              </button>
            ) : (
              <SkipOrSave
                ready={lookFrom(question, walking.pick, cover, 'x', today) !== null}
                skip={() => go(next, { ...walking.done, [walking.at]: 'skipped' })}
                save={() => void save()}
              />
            )}
            <div className="mt-2 flex justify-between">
              <button type="button" className="underline" onClick={() => go(-1)}>
                Finish later
              </button>
              <Link className="underline" to={`/cover/${cover.id}/look`}>
                All looks of this bed
              </Link>
            </div>
          </div>
        </div>
      </Page>
    </div>
  );
}

/** Writes the answer of the open card down, its picture beside it, and where the forecast stood before. */
function useSave(
  { walking, stop, cover, setDraft }: Omit<OpenCard, 'failure'>,
  jpeg: string | null,
  standpoint: Standpoint | undefined,
) {
  const { garden, today, hands, run } = useGarden();
  return async () => {
    const id = hands.newId();
    const look = lookFrom(stop.question, walking.pick, cover, id, today);
    if (!look) return;
    const ok = look.crowns
      ? await run(countCrowns(hands, cover, { on: today, green: look.crowns.green, of: OF_TEN }))
      : await run(logLook(hands, look));
    if (!ok) return;
    if (jpeg && look.cover !== null)
      await hands.db.pictures
        .put({ id, gardenId: garden.id, coverId: cover.id, on: today, jpeg })
        .catch(() => undefined);
    setDraft({
      ...walking,
      done: { ...walking.done, [walking.at]: 'saved' },
      before: standpoint ?? null,
    });
  };
}

function SkipOrSave({ ready, skip, save }: { ready: boolean; skip(): void; save(): void }) {
  return (
    <div className="grid grid-cols-[1fr_2fr] gap-2">
      <button type="button" className="btn" onClick={skip}>
        Skip
      </button>
      <button type="button" className="btn btn-primary" disabled={!ready} onClick={save}>
        Save
      </button>
    </div>
  );
}

const nextWords = (next: Stop, now: Stop, bedName: (id: string) => string): string =>
  next.bedId === now.bedId ? questionTitle(next.question).toLowerCase() : `bed ${bedName(next.bedId)}`;
