import { useState } from 'react';
import {
  Area,
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  XAxis,
  YAxis,
} from 'recharts';
import { type Day, isoOf } from '../../core/calendar/day.ts';
import { againstExpected, type GrowthDay } from '../../core/plan/growth.ts';
import { type Stage, STAGES } from '../../core/stand/species.ts';
import { showDay } from '../../ui/dates.ts';
import { STAGE_WORDS } from '../../ui/methodWords.ts';

export interface SeenStage {
  day: Day;
  stage: Stage;
}

interface Props {
  growth: GrowthDay[];
  /** Ground covered as it was seen, 0..1. */
  covers: { day: Day; cover: number }[];
  /** Kinds of the cover in their order, each with the stages it was seen at. */
  members: { name: string; seen: SeenStage[] }[];
  today: Day;
}

const COVER = -1;
/** Dates under the axis keep at least this share of its width from each other. */
const APART = 0.2;
const STAGE_SHORT: Record<Stage, string> = {
  sown: 'sown',
  leafy: 'leaf',
  bud: 'bud',
  flower: 'flower',
  milk: 'milk',
  seed: 'seed',
};

/** What was expected and what was seen, by the warmth since sowing: of each kind how far it is, of the whole how much ground it covers. */
export default function GrowthChart({ growth, covers, members, today }: Props) {
  const [shown, setShown] = useState(COVER);
  const member = shown === COVER ? undefined : members[shown];
  const warmthOn = (day: Day): number | undefined => {
    const after = growth.findIndex((g) => g.day >= day);
    if (after < 0) return undefined;
    const [a, b] = [growth[Math.max(0, after - 1)]!, growth[after]!];
    const share = b.day === a.day ? 0 : (day - a.day) / (b.day - a.day);
    return a.warmth_cd + share * (b.warmth_cd - a.warmth_cd);
  };
  const rows = growth.map((g) => {
    const [expected, now] = member
      ? [g.stages[shown]!.expected, g.stages[shown]!.now]
      : [g.coverExpected, g.cover.mid];
    const times = member ? 1 : 100;
    return {
      warmth: g.warmth_cd,
      band: [expected.low * times, expected.high * times],
      mid: expected.mid * times,
      now: now * times,
    };
  });
  const seen = (
    member
      ? member.seen.map((s) => ({ day: s.day, seen: STAGES.indexOf(s.stage) + 0.5 }))
      : covers.map((s) => ({ day: s.day, seen: s.cover * 100 }))
  ).flatMap(({ day, seen: y }) => {
    const warmth = warmthOn(day);
    return warmth === undefined ? [] : [{ warmth, seen: y }];
  });
  const last = member?.seen.at(-1);
  return (
    <figure aria-label="Expected and seen">
      <div role="radiogroup" aria-label="What is shown" className="mb-2 flex flex-wrap gap-2">
        {[{ name: 'Ground covered' }, ...members].map((m, i) => (
          <button
            key={m.name}
            type="button"
            role="radio"
            aria-checked={shown === i - 1}
            className={`btn btn-sm ${shown === i - 1 ? 'btn-primary' : ''}`}
            onClick={() => setShown(i - 1)}
          >
            {m.name}
          </button>
        ))}
      </div>
      {member && last && <p className="mb-1 font-semibold">{againstWords(growth, shown, last)}</p>}
      <div style={{ height: 260 }}>
        <ResponsiveContainer width="100%" height="100%">
          <ComposedChart data={rows} margin={{ top: 8, right: 30, bottom: 14, left: member ? 0 : -16 }}>
            <CartesianGrid stroke="var(--color-linen)" vertical={false} />
            <XAxis
              dataKey="warmth"
              type="number"
              domain={['dataMin', 'dataMax']}
              ticks={ticksOf(growth)}
              interval={0}
              tick={<WarmthTick growth={growth} />}
              stroke="var(--color-warp)"
            />
            <YAxis
              domain={member ? [0, 6] : [0, 100]}
              ticks={member ? [0.5, 1.5, 2.5, 3.5, 4.5, 5.5] : [0, 25, 50, 75, 100]}
              tickFormatter={(v: number) => (member ? STAGE_SHORT[STAGES[Math.floor(v)]!] : `${v} %`)}
              tick={{ fill: 'var(--color-bark)', fontSize: 15 }}
              stroke="var(--color-warp)"
            />
            <Area
              dataKey="band"
              fill="var(--color-leaf)"
              fillOpacity={0.25}
              stroke="none"
              isAnimationActive={false}
            />
            <Line
              dataKey="mid"
              stroke="var(--color-leaf)"
              strokeWidth={2}
              strokeDasharray="5 4"
              dot={false}
              isAnimationActive={false}
            />
            <Line
              dataKey="now"
              stroke="var(--color-indigo)"
              strokeWidth={2.5}
              dot={false}
              isAnimationActive={false}
            />
            <Scatter data={seen} dataKey="seen" fill="var(--color-madder)" isAnimationActive={false} />
            <ReferenceLine x={warmthOn(today)} stroke="var(--color-walnut)" strokeWidth={2} />
          </ComposedChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="text-bark text-sm">
        By warmth since sowing (daily means over freezing, added up). Green: what was expected, 8 years of 10.
        Madder dots: what you saw. Blue: what is expected now that you looked. The upright line is today.
      </figcaption>
    </figure>
  );
}

/** How the last stage that was seen stands against what was expected. */
function againstWords(growth: GrowthDay[], member: number, seen: SeenStage): string {
  const what = `${STAGE_WORDS[seen.stage]?.name ?? seen.stage} on ${showDay(seen.day)}: `;
  const against = againstExpected(growth, member, STAGES.indexOf(seen.stage), seen.day);
  if (!against) return `${what}not to be held against what was expected.`;
  if (against.is === 'as-expected') return `${what}as expected.`;
  return `${what}about ${Math.round(against.days)} days ${against.is === 'ahead' ? 'ahead of' : 'behind'} what was expected.`;
}

/** Warmth on the first day of each month, those left out that would stand too close: little warmth comes in winter. */
function ticksOf(growth: GrowthDay[]): number[] {
  const wide = (growth.at(-1)?.warmth_cd ?? 0) * APART;
  const ticks: number[] = [];
  growth.forEach((g, i) => {
    const first = i === 0 || isoOf(g.day).slice(0, 7) !== isoOf(growth[i - 1]!.day).slice(0, 7);
    if (first && (ticks.length === 0 || g.warmth_cd - ticks.at(-1)! >= wide)) ticks.push(g.warmth_cd);
  });
  return ticks;
}

/** A tick that says the warmth and under it the day on which so much has come. */
function WarmthTick(p: { growth: GrowthDay[]; x?: number; y?: number; payload?: { value: number } }) {
  const value = p.payload?.value ?? 0;
  const on = p.growth.find((g) => g.warmth_cd >= value - 1e-6);
  return (
    <text x={p.x} y={(p.y ?? 0) + 12} textAnchor="middle" fill="var(--color-bark)" fontSize={15}>
      <tspan x={p.x}>{Math.round(value / 10) * 10}</tspan>
      <tspan x={p.x} dy={17}>
        {on ? showDay(on.day) : ''}
      </tspan>
    </text>
  );
}
