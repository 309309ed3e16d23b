import { type ReactNode, useMemo } from 'react';
import { type AimStrands } from '../../core/aims/aims.ts';
import { type Day, dayOf } from '../../core/calendar/day.ts';
import { diesBy } from '../../core/known/ways.ts';
import { type LastWeeks as LastWeeksAnswer } from '../../core/plan/lastWeeks.ts';
import { type EndingAnswer } from '../../core/plan/answers.ts';
import { type UnitChoice } from '../../core/units/show.ts';
import type { Cover } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { AIM_FIGURES } from '../../ui/aimFigures.ts';
import { showDay } from '../../ui/dates.ts';
import { METHOD_SHORT } from '../../ui/methodWords.ts';
import { showMinutes } from '../../ui/workWords.ts';
import { giveUpWords, whyNotWords } from './giveUp.ts';
import { marksOf, type Scale, scaleOf } from '../../ui/downward.ts';
import { type Hung, type Ways } from './useHung.ts';
import { WaitingStrip, WeatherKey } from './WaitingStrip.tsx';
import { WAY_PX } from './wayHeld.ts';
import { WayStrip } from './WayStrip.tsx';

interface Props {
  ways: Ways;
  parts: Cover['parts'];
  last: LastWeeksAnswer;
  aims: AimStrands[];
  plantDay: Day;
  /** The way whose steps stand beside the strips. */
  shown: string;
  show(method: string): void;
}

const HEIGHT = 300;
/** On a phone the first strip stands above the ways. */
const PHONE_HEIGHT = 170;
/** So many weeks before planting are looked at, at least. */
const LEAST_SPAN_D = 42;
const LONGEST_SPAN_D = 150;
/** Where the picture would begin so soon after today, it begins today. */
const NEARLY_D = 21;
/** Ways whose days set how far back the picture goes. */
const LEADING = 5;

/** Ways to end the cover as strips beside what waiting buys, those that serve its aims best first; knots are dragged, or moved with arrow keys. */
export function LastWeeks({ ways, parts, last, aims, plantDay, shown, show }: Props) {
  const { garden, today } = useGarden();
  const now = dayOf(today);
  const { hung, best } = ways;
  // The scale stays as it was while a knot is dragged: only the ways themselves set it.
  const starts = hung.slice(0, LEADING).map((h) => (h.moved ? Infinity : h.ending.startDay));
  const first = Math.min(plantDay - LEAST_SPAN_D, ...starts.map((d) => d - 7));
  const scale = useMemo(() => scaleFor(now, plantDay, first, HEIGHT), [now, plantDay, first]);
  const short = useMemo(() => scaleFor(now, plantDay, first, PHONE_HEIGHT), [now, plantDay, first]);
  if (!best) return null;
  const dies = diesBy(hung);
  const told = aims.filter((a) => AIM_FIGURES[a.id]).sort((a, b) => b.strands - a.strands);
  const waiting = { last, parts, aim: told[0]?.id ?? 'loosen', units: garden.units };
  const head = (
    <Head
      name="What waiting buys"
      sub={`${AIM_FIGURES[told[0]?.id ?? '']?.name ?? 'dry matter'}, were it cut that day`}
    />
  );
  return (
    <>
      <div className="mb-3 sm:hidden">
        {head}
        <div className="flex">
          <Axis scale={short} now={now} plantDay={plantDay} bare />
          <WaitingStrip {...waiting} scale={short} />
        </div>
        <WeatherKey last={last} />
      </div>
      <p className="text-bark text-sm sm:hidden">{hung.length} ways; swipe from one to the next.</p>
      <div className="flex" role="group" aria-label="The last weeks before planting">
        <Axis scale={scale} now={now} plantDay={plantDay} />
        <div className="hidden shrink-0 pt-1 sm:block" style={{ width: 184 }}>
          {head}
          <WaitingStrip {...waiting} scale={scale} />
          <WeatherKey last={last} />
        </div>
        <div
          className="flex min-w-0 snap-x snap-mandatory gap-2 overflow-x-auto px-1 pb-2 max-sm:gap-0"
          tabIndex={0}
          role="region"
          aria-label="Ways to end it"
        >
          {hung.map((h) => (
            <HungWay
              key={h.method.id}
              way={h}
              sub={subOf(h, ways, plantDay, dies, aims, garden.units)}
              figures={told.slice(0, 2).map((a) => a.id)}
              units={garden.units}
              pressed={shown === h.method.id}
              press={() => show(h.method.id)}
            >
              <WayStrip
                method={h.method}
                name={nameOf(h.method.id)}
                ending={h.ending}
                parts={parts}
                scale={scale}
                plantDay={plantDay}
                dies={dies}
                least={now}
                move={(held) => {
                  ways.move(h.method.id, held);
                  show(h.method.id);
                }}
              />
            </HungWay>
          ))}
        </div>
      </div>
      <RuledOut
        rows={ways.ruledOut.map((r) => ({
          ...r,
          why:
            r.missing.length > 0
              ? `would want ${r.missing.join('; ')}`
              : 'can be done, and is never put forward',
        }))}
      />
    </>
  );
}

/** What is said under the name of a way: why it cannot be, that frost is before it, or what it gives up against the best. */
function subOf(
  h: Hung,
  { best, hung }: Ways,
  plantDay: Day,
  dies: Day,
  aims: AimStrands[],
  units: UnitChoice,
): string {
  const minutesOf = (e: EndingAnswer) => hung.find((x) => x.method.id === e.method)?.minutes ?? 0;
  const whyNot = whyNotWords(h, plantDay);
  if (whyNot) return whyNot;
  if (dies < h.ending.startDay) return `dead by then, about ${showDay(dies)}`;
  return giveUpWords(h.ending, best!, aims, units, minutesOf);
}

/** One way: its name, its strip, the odds, what it brings of the aims, and the work. */
function HungWay({
  way: h,
  sub,
  figures,
  units,
  pressed,
  press,
  children,
}: {
  way: Hung;
  sub: string;
  figures: string[];
  units: UnitChoice;
  pressed: boolean;
  press(): void;
  children: ReactNode;
}) {
  return (
    <section
      aria-label={nameOf(h.method.id)}
      className={`shrink-0 snap-start px-1.5 pt-1 max-sm:w-full ${pressed ? 'bg-paper outline-walnut outline-2 -outline-offset-2' : ''}`}
    >
      <Head name={nameOf(h.method.id)} sub={sub} pressed={pressed} press={press} />
      <div className="max-sm:flex max-sm:gap-4">
        {children}
        <div className="mt-1 max-sm:min-w-0 max-sm:flex-1 sm:w-[7.25rem]">
          <p aria-live="polite">
            <span
              className={`font-display text-2xl font-bold tabular-nums ${h.ending.odds.inTime < 0.5 ? 'text-madder' : ''}`}
            >
              {Math.round(h.ending.odds.inTime * 100)}
            </span>{' '}
            <span className="text-bark text-sm">of 100 ready</span>
          </p>
          <p className="text-sm">
            {figures.map((id) => (
              <span key={id} className="block">
                {AIM_FIGURES[id]!.show(AIM_FIGURES[id]!.of(h.ending).mid, units)} {AIM_FIGURES[id]!.name}
              </span>
            ))}
            <span className="block">{showMinutes(h.minutes)} of work</span>
          </p>
        </div>
      </div>
    </section>
  );
}

const nameOf = (id: string): string => {
  const short = METHOD_SHORT[id] ?? id;
  return `${short.charAt(0).toUpperCase()}${short.slice(1)}`;
};

function scaleFor(now: Day, plantDay: Day, first: Day, height: number): Scale {
  const wanted = Math.max(Math.min(first, plantDay - 14), plantDay - LONGEST_SPAN_D);
  const from = wanted - now < NEARLY_D ? now : wanted;
  return scaleOf(Math.min(from, plantDay - 7), plantDay + 4, height);
}

function Head({
  name,
  sub,
  pressed,
  press,
}: {
  name: string;
  sub: string;
  pressed?: boolean;
  press?(): void;
}) {
  return (
    <div className="h-16 leading-tight" style={{ width: press ? WAY_PX : undefined }}>
      <h3 className="font-display leading-tight font-bold">
        {press ? (
          <button
            type="button"
            aria-pressed={pressed}
            onClick={press}
            className="block text-left"
            style={{ minHeight: 24 }}
          >
            {name}
          </button>
        ) : (
          name
        )}
      </h3>
      <p className="text-bark text-[0.8rem] leading-tight">{sub}</p>
    </div>
  );
}

function Axis({ scale, now, plantDay, bare }: { scale: Scale; now: Day; plantDay: Day; bare?: boolean }) {
  return (
    <div className="w-[4.25rem] shrink-0" style={{ paddingTop: bare ? 0 : '4.25rem' }} aria-hidden="true">
      <svg width={68} height={scale.height + 2} className="overflow-visible">
        {marksOf(scale)
          .filter((d) => Math.abs(scale.y(d) - scale.y(plantDay)) > 16 && scale.y(d) > 18)
          .map((d) => (
            <text key={d} x={60} y={scale.y(d) + 4} fontSize={13} fill="var(--color-bark)" textAnchor="end">
              {showDay(d)}
            </text>
          ))}
        <Flag y={scale.y(plantDay)} text={showDay(plantDay)} />
        {now >= scale.from && <Flag y={scale.y(now)} text="today" />}
      </svg>
    </div>
  );
}

const Flag = ({ y, text }: { y: number; text: string }) => (
  <g>
    <rect x={0} y={y - 10} width={64} height={20} fill="var(--color-walnut)" />
    <text x={58} y={y + 4} fontSize={13} fontWeight={700} fill="var(--color-paper)" textAnchor="end">
      {text}
    </text>
  </g>
);

/** Ways that something here rules out, and what would let them in. */
function RuledOut({ rows }: { rows: { id: string; why: string; odds: number }[] }) {
  if (rows.length === 0) return null;
  return (
    <details className="border-warp mt-3 border-t pt-2">
      <summary className="cursor-pointer font-semibold">
        {rows.length} more ways that something here rules out
      </summary>
      <ul className="mt-1 max-w-2xl">
        {rows.map((r) => (
          <li key={r.id} className="border-linen border-t py-1">
            <b>{nameOf(r.id)}</b>, {Math.round(r.odds * 100)} in 100 in time: {r.why}.
          </li>
        ))}
      </ul>
    </details>
  );
}
