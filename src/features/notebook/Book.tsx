import { useMemo } from 'react';
import { findWay, methods, speciesOf } from '../../catalogue/catalogue.ts';
import { type KillLesson } from '../../core/learn/kills.ts';
import { type Learnt, type Lesson, SPREADS } from '../../core/learn/learn.ts';
import { type Trait, TRAITS, wayOfKey } from '../../core/stand/shift.ts';
import { endedBy, lookedAt } from '../../questions/learn.ts';
import { changeGarden } from '../../records/commands/change.ts';
import { useAnswer } from '../../ring/answers.ts';
import { useGarden } from '../../ring/garden.tsx';
import { showIsoYear } from '../../ui/dates.ts';
import { TRAIT_NAMES, traitWords } from '../../ui/learntWords.ts';
import { MeasuredWeather } from './MeasuredWeather.tsx';
import { NoAnswer } from '../../ui/parts.tsx';

/** Plausible years behind each cover's result. */
const YEARS = 100;
/** A middle that flowers after so much warmth, for the garden as a whole. */
const USUAL_FLOWER_CD = 800;
const EIGHT_OF_TEN = 1.2816;
const WIDE = 260;
/** The strip shows so many spreads of the book to each side. */
const SIDES = 2;

/** Own results against the book: dots are covers, bars what the book allows, and whether forecasts may go by them. */
export function Book() {
  const ring = useGarden();
  const { garden, today } = ring;
  const asked = useMemo(() => lookedAt(ring, today, YEARS), [ring, today]);
  const { answer, failure } = useAnswer(
    'learn',
    useMemo(() => JSON.stringify(asked), [asked]),
  );
  const ended = useMemo(() => endedBy(ring, today, YEARS), [ring, today]);
  const { answer: ways } = useAnswer(
    'learnKills',
    useMemo(() => JSON.stringify(ended), [ended]),
  );
  if (asked.length < 2)
    return (
      <aside aria-label="Your garden against the book">
        <h2 className="font-display text-xl font-bold">Your garden against the book</h2>
        <p className="mt-1">
          Two covers with looks of their own are needed before this garden says anything. Looks at their
          stage, their cover and what winter left say most.
        </p>
      </aside>
    );
  const shown = (answer?.lessons ?? [])
    .filter((l) => l.kind === null || l.results.length > 1)
    .sort((a, b) => TRAITS.indexOf(a.trait) - TRAITS.indexOf(b.trait));
  return (
    <aside aria-label="Your garden against the book">
      <h2 className="font-display text-xl font-bold">Your garden against the book</h2>
      <p className="text-bark mt-1">
        {asked.length} covers with looks. Dots are yours, bars what the book allows in eight of ten gardens;
        the line is where your results draw it. Nothing moves on one cover.
      </p>
      <NoAnswer failure={failure} />
      {!answer && !failure && <p role="status">Reading your covers again…</p>}
      {answer && (
        <>
          <ul className="mt-3">
            {shown.map((l) => (
              <Row key={`${l.trait} ${l.kind}`} lesson={l} units={garden.units} />
            ))}
          </ul>
          {shown.length > 0 && (
            <p className="text-bark flex justify-between" style={{ maxWidth: WIDE }}>
              <span>sooner, less, softer</span>
              <span>later, more, hardier</span>
            </p>
          )}
          {ways && ways.length > 0 && <AtTheFirstGo ways={ways} />}
          <GoBy answer={answer} ways={ways ?? []} nothing={shown.length === 0} />
        </>
      )}
      <MeasuredWeather />
    </aside>
  );
}

/** How often each way killed at the first go, against what the book gave it. */
function AtTheFirstGo({ ways }: { ways: KillLesson[] }) {
  return (
    <>
      <h3 className="font-display mt-3 text-lg font-bold">Dead at the first go</h3>
      <ul>
        {ways.map((w) => (
          <li key={w.method} className="border-linen border-t py-1">
            <b>{methods.find((m) => m.id === w.method)?.name ?? w.method}</b>: {w.killed} of {w.covers}. The
            book gave {hundred(w.book)} of 100; with yours it is {hundred(w.here)}.
          </li>
        ))}
      </ul>
    </>
  );
}

/** Whether forecasts go by what was shown: let, brought up to date, or taken back. */
function GoBy({ answer, ways, nothing }: { answer: Learnt; ways: KillLesson[]; nothing: boolean }) {
  const { garden, today, hands, run } = useGarden();
  const let_ = () =>
    void run(
      changeGarden(hands, garden.id, 'what this garden has shown', () => ({
        learnt: {
          on: today,
          covers: answer.covers,
          shifts: answer.shifts,
          kills: Object.fromEntries(ways.map((w) => [w.method, w.times])),
        },
      })),
    );
  const back = () =>
    void run(changeGarden(hands, garden.id, 'going by the book again', () => ({ learnt: null })));
  if (!garden.learnt)
    return (
      <div className="border-linen mt-4 border-t pt-3">
        <button
          type="button"
          className="btn btn-primary h-auto w-full py-2"
          disabled={nothing}
          onClick={let_}
        >
          Let forecasts use what this garden has shown
        </button>
      </div>
    );
  return (
    <div className="border-linen mt-4 border-t pt-3">
      <p>
        Forecasts go by what was shown until {showIsoYear(garden.learnt.on)}, from {garden.learnt.covers}{' '}
        covers; each says by how much.
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        {garden.learnt.covers !== answer.covers && (
          <button type="button" className="btn btn-primary" onClick={let_}>
            Take in what came since
          </button>
        )}
        <button type="button" className="btn" onClick={back}>
          Go by the book again
        </button>
      </div>
    </div>
  );
}

const hundred = (share: number): number => Math.round(share * 100);

/** To the right is later, more, hardier: ripening fast and being soft lie to the left. */
const sign = (trait: Trait): number => (trait === 'stageRate' || trait === 'hardiness_c' ? -1 : 1);

function Row({ lesson: l, units }: { lesson: Lesson; units: Parameters<typeof traitWords>[3] }) {
  const wayId = l.kind ? wayOfKey(l.kind) : undefined;
  const kind = l.kind && wayId === undefined ? speciesOf(l.kind) : null;
  const of = wayId === undefined ? kind?.name.toLowerCase() : (findWay(wayId)?.name ?? wayId).toLowerCase();
  const words = traitWords(l.trait, l.at.mean, kind?.stages.flower_cd ?? USUAL_FLOWER_CD, units);
  const spread = SPREADS[l.trait];
  const x = (y: number) =>
    WIDE / 2 + (Math.max(-SIDES, Math.min(SIDES, (sign(l.trait) * y) / spread)) / SIDES) * (WIDE / 2 - 8);
  const half = ((EIGHT_OF_TEN / SIDES) * (WIDE - 16)) / 2;
  return (
    <li className="py-1.5">
      <div className="flex flex-wrap items-baseline justify-between gap-x-3">
        <b>
          {TRAIT_NAMES[l.trait]}, {of ?? 'all covers'}
        </b>
        <span className="text-bark">
          {words || 'as the book'}; {l.results.length} {l.results.length === 1 ? 'cover' : 'covers'}
        </span>
      </div>
      <svg width={WIDE} height={22} aria-hidden="true">
        <rect x={WIDE / 2 - half} y={4} width={half * 2} height={14} fill="var(--color-linen)" />
        <path d={`M${WIDE / 2} 1V21`} stroke="var(--color-bark)" strokeWidth={1} />
        {l.results.map((r, i) => (
          <circle
            key={i}
            cx={x(r.y)}
            cy={11}
            r={Math.max(
              2.5,
              Math.min(6, 6 * Math.sqrt((spread * spread) / (spread * spread + r.variance * 4))),
            )}
            fill="var(--color-madder)"
            fillOpacity={0.75}
          />
        ))}
        <path d={`M${x(l.at.mean)} 0V22`} stroke="var(--color-walnut)" strokeWidth={3} />
      </svg>
    </li>
  );
}
