import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { coverTitle } from '../../catalogue/catalogue.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { roundCovers, wayToday } from '../../questions/rounds.ts';
import { countCrowns } from '../../records/commands/ending.ts';
import { logLook } from '../../records/commands/seed.ts';
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
  const { garden, beds, covers, today, hands, run } = ring;
  const [draft, setDraft, clear] = useDraft<WalkDraft>(`rounds ${garden.id}`, NOTHING);
  // Bed by bed: both workers are at it, and after an answer only its bed is asked anew.
  const texts = useMemo(
    () => roundCovers(ring, today).map((c) => JSON.stringify({ covers: [c], today: dayOf(today) })),
    [ring, today],
  );
  const asked = useAnswers('rounds', texts);
  const failure = asked.find((a) => a.failure)?.failure;
  const answer = asked.every((a) => a.answer) ? asked.flatMap((a) => a.answer!) : undefined;
  const [jpeg, setJpeg] = useState<string | null>(null);
  const walking = draft && draft.on === today && draft.stops.length > 0 ? draft : undefined;
  const stop = walking && walking.at >= 0 ? walking.stops[walking.at] : undefined;
  const cover = covers.find((c) => c.id === stop?.coverId);
  const standpoint = useStandpoint(cover);
  if (!draft) return <p className="p-6">One moment…</p>;
  const due: Stop[] = (answer ?? []).flatMap((b) =>
    b.questions.map((question) => ({ coverId: b.coverId, bedId: b.bedId, question })),
  );
  const way = wayToday(due, ring, today);
  const bedName = (id: string) => beds.find((b) => b.id === id)?.name ?? '';

  if (!walking || !stop || !cover) {
    const stops = walking?.stops ?? way.order;
    const left = stops.findIndex((_, i) => !walking?.done[i]);
    return (
      <Walk
        stops={stops}
        done={walking?.done ?? {}}
        notes={walking ? [] : way.notes}
        working={!answer && !walking}
        failure={failure}
        begin={() =>
          setDraft({ ...NOTHING, on: today, stops, done: walking?.done ?? {}, at: Math.max(0, left) })
        }
        begun={walking !== undefined}
        open={(i) => setDraft({ ...NOTHING, on: today, stops, done: walking?.done ?? {}, at: i })}
        again={clear}
      />
    );
  }
  const { question } = stop;
  const saved = walking.done[walking.at] === 'saved';
  const next = walking.stops.findIndex((_, i) => i > walking.at && !walking.done[i]);
  const go = (at: number, done = walking.done) => {
    setJpeg(null);
    setDraft({ ...walking, at, done, pick: {}, before: null });
  };
  async function save() {
    const id = hands.newId();
    const look = lookFrom(question, walking!.pick, cover!, id, today);
    if (!look) return;
    const before = standpoint ?? null;
    const ok = look.crowns
      ? await run(countCrowns(hands, cover!, { on: today, green: look.crowns.green, of: OF_TEN }))
      : await run(logLook(hands, look));
    if (!ok) return;
    if (jpeg && look.cover !== null)
      await hands.db.pictures
        .put({ id, gardenId: garden.id, coverId: cover!.id, on: today, jpeg })
        .catch(() => undefined);
    setDraft({ ...walking!, done: { ...walking!.done, [walking!.at]: 'saved' }, before });
  }
  const ready = lookFrom(question, walking.pick, cover, 'x', today) !== null;
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
              keepPicture={setJpeg}
            />
          )}
          <div className="bg-base-200 border-linen fixed inset-x-0 bottom-0 z-10 border-t p-3 sm:static sm:mt-5 sm:border-0 sm:p-0">
            {saved ? (
              <button type="button" className="btn btn-primary w-full" onClick={() => go(next)}>
                {next < 0 ? 'Back to the list' : `Next: ${nextWords(walking.stops[next]!, stop, bedName)}`}
              </button>
            ) : (
              <div className="grid grid-cols-[1fr_2fr] gap-2">
                <button
                  type="button"
                  className="btn"
                  onClick={() => go(next, { ...walking.done, [walking.at]: 'skipped' })}
                >
                  Skip
                </button>
                <button
                  type="button"
                  className="btn btn-primary"
                  disabled={!ready}
                  onClick={() => void save()}
                >
                  Save
                </button>
              </div>
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

const nextWords = (next: Stop, now: Stop, bedName: (id: string) => string): string =>
  next.bedId === now.bedId ? questionTitle(next.question).toLowerCase() : `bed ${bedName(next.bedId)}`;
