import { useState } from 'react';
import { dayOf } from '../../core/calendar/day.ts';
import { type EndingAnswer } from '../../core/plan/answers.ts';
import { type Forecast } from '../../core/forecast/forecast.ts';
import { madeAgain } from '../../core/plan/lived.ts';
import { stepsAhead } from '../../core/plan/steps.ts';
import { showTemperature, type UnitChoice } from '../../core/units/show.ts';
import { type PassWork } from '../../core/work/workPlan.ts';
import { countCrowns, logPass, seeAlive, seeDead } from '../../records/commands/ending.ts';
import type { Cover } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { showDay, showIsoYear } from '../../ui/dates.ts';
import { DateField, SelectField } from '../../ui/fields.tsx';
import { PASS_WORDS } from '../../ui/methodWords.ts';
import { showMinutes } from '../../ui/workWords.ts';
import { AfterPass } from './AfterPass.tsx';
import { MoveList } from './MoveList.tsx';
import { Facts } from './Facts.tsx';

const titleOf = (kind: string): string => PASS_WORDS[kind]?.title ?? kind;

interface Props {
  cover: Cover;
  ending: EndingAnswer | undefined;
  /** What lies on it now, and how likely the next cut is needed. */
  now: Pick<Forecast, 'under' | 'cutAgain'> | undefined;
  /** Arithmetic of the steps, in the order of the way; empty until the stand is known. */
  work: PassWork[];
  /** Name of the bed. */
  bed: string;
}

/** The chosen way as dated steps with their arithmetic, each logged when done, and the look that proves the cover dead. */
export function WorkPlan({ cover, ending, now, work, bed }: Props) {
  const { garden, today, hands, run } = useGarden();
  const [typed, setOn] = useState<string | null>(null);
  const [noDay, setNoDay] = useState(false);
  const on = typed ?? today;
  const next = cover.passes.findIndex((p) => !p.doneOn);
  const last = cover.passes.at(-1)!;
  const seenOn = last.doneOn && dayOf(last.doneOn) > dayOf(on) ? last.doneOn : on;
  const ahead = stepsAhead(cover.passes, ending, dayOf(today));
  const dead = cover.verdict === 'dead';
  // A plan that was changed under way keeps what was done in front: the steps of the way are the last ones.
  const workOf = (i: number) => work[i - (cover.passes.length - work.length)];
  return (
    <section aria-labelledby="work-plan">
      <h2 id="work-plan" className="font-display text-xl font-bold">
        Work plan
      </h2>
      {!dead && (
        <div className="max-w-xs">
          <DateField label="Day it was done or seen" value={on} onChange={setOn} onWrong={setNoDay} />
        </div>
      )}
      <ol className="mt-1 max-w-2xl">
        {cover.passes.map((p, i) => (
          <li key={i} className="border-linen border-t py-2">
            <b>
              {i + 1}. {titleOf(p.kind)}
            </b>{' '}
            {p.doneOn ? (
              <span>
                done {showIsoYear(p.doneOn)}
                {p.minutes !== undefined && `, ${showMinutes(p.minutes)}`}
              </span>
            ) : dead ? (
              <span className="text-bark">no longer needed to kill it</span>
            ) : (
              <Due step={ahead.find((s) => s.index === i)!} planned={p.due} />
            )}
            <p>{PASS_WORDS[p.kind]?.how}</p>
            {!p.doneOn && !dead && madeAgain(cover.passes, i) && (
              <CutAgain share={i === next ? now?.cutAgain : undefined} />
            )}
            {!p.doneOn && !dead && p.kind === 'lift-sheet' && now?.under && (
              <HeatSoFar under={now.under} units={garden.units} />
            )}
            {!p.doneOn && !dead && <Facts work={workOf(i)} />}
            {!p.doneOn && !dead && <Moves work={workOf(i)} due={p.due} bed={bed} />}
            {p.doneOn && <AfterPass cover={cover} index={i} work={workOf(i)} title={titleOf(p.kind)} />}
            {i === next && cover.sownOn && !dead && (
              <button
                type="button"
                className="btn btn-primary mt-1"
                disabled={noDay}
                onClick={() => void run(logPass(hands, cover, i, on, titleOf(p.kind).toLowerCase()))}
              >
                Log it done: {titleOf(p.kind).toLowerCase()}
              </button>
            )}
          </li>
        ))}
      </ol>
      {dead ? (
        <button type="button" className="btn mt-1" onClick={() => void run(seeAlive(hands, cover))}>
          It lives after all
        </button>
      ) : (
        cover.passes.some((p) => p.doneOn) && (
          <LookAfter cover={cover} on={seenOn} over={next === -1} waits={noDay} />
        )
      )}
    </section>
  );
}

function CutAgain({ share }: { share: number | undefined }) {
  return (
    <p>
      Look at ten crowns first: only where more than one of them is green is it worth doing.
      {share !== undefined && <b> Needed in {Math.round(share * 100)} years of 100.</b>}
    </p>
  );
}

/** Heat that has come under what lies there, and how much of it kills. */
function HeatSoFar({ under, units }: { under: NonNullable<Forecast['under']>; units: UnitChoice }) {
  const { since, film, soFar, needs } = under;
  const of = (days: number) => Math.round(days);
  const spread = of(needs.low) === of(needs.high) ? of(needs.mid) : `${of(needs.low)} to ${of(needs.high)}`;
  const share = needs.mid > 0 ? Math.min(1, soFar / needs.mid) : 1;
  return (
    <div className="max-w-sm">
      <p>
        <b>{of(soFar)}</b> of {spread} {film ? 'bright days at' : 'days at'}{' '}
        {showTemperature(film ? FILM_DAY_C : SHEET_DAY_C, units)} have come under it since {showDay(since)}.
      </p>
      <progress
        className="progress w-full"
        value={Math.round(share * 100)}
        max={100}
        aria-label="Heat that has come, of what kills"
      />
    </div>
  );
}
/** What a day under a sheet, or under clear film, is counted at. */
const SHEET_DAY_C = 20;
const FILM_DAY_C = 32;

function Moves({ work, due, bed }: { work: PassWork | undefined; due: string; bed: string }) {
  const hens = work?.facts.find((f) => f.is === 'hens');
  return hens?.is === 'hens' ? <MoveList pen={hens.pen} hens={hens.hens} due={due} bed={bed} /> : null;
}

function Due({ step, planned }: { step: ReturnType<typeof stepsAhead>[number]; planned: string }) {
  if (step.lookFrom !== undefined)
    return (
      <span className="text-bark">
        about {showDay(step.due)}, when it is dead in 9 years of 10; look under a corner from{' '}
        {showDay(step.lookFrom)}
      </span>
    );
  return step.late ? (
    <span className="text-madder font-semibold">was due {showIsoYear(planned)}: today at the earliest</span>
  ) : (
    <span className="text-bark">due {showDay(step.due)}</span>
  );
}

const CROWNS = [5, 10, 20, 30] as const;

/** What shows whether it is dead: crowns of ten, or plainly dead. */
function LookAfter({ cover, on, over, waits }: { cover: Cover; on: string; over: boolean; waits: boolean }) {
  const { hands, run } = useGarden();
  const [of, setOf] = useState(10);
  const [green, setGreen] = useState(0);
  return (
    <div className="mt-3">
      <h3 className="font-bold">{over ? 'The look afterwards' : 'A look in between'}</h3>
      <p className="max-w-2xl">
        Part the mat in five places and pull two crowns in each. Dead crowns are brown, soft and come out;
        white or green at the base grows on.
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <SelectField
          label="Crowns looked at"
          value={String(of)}
          options={CROWNS.map((n) => [String(n), String(n)] as const)}
          onChange={(v) => {
            setOf(Number(v));
            setGreen(Math.min(green, Number(v)));
          }}
        />
        <SelectField
          label="Green among them"
          value={String(green)}
          options={Array.from({ length: of + 1 }, (_, n) => [String(n), String(n)] as const)}
          onChange={(v) => setGreen(Number(v))}
        />
        <button
          type="button"
          className="btn btn-primary"
          disabled={waits}
          onClick={() => void run(countCrowns(hands, cover, { on, green, of }))}
        >
          Log the count
        </button>
        {over && (
          <button
            type="button"
            className="btn"
            disabled={waits}
            onClick={() => void run(seeDead(hands, cover, on))}
          >
            It is dead
          </button>
        )}
      </div>
    </div>
  );
}
