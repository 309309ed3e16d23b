import { type Day } from '../../core/calendar/day.ts';
import { useId } from 'react';
import { type Sample } from '../../core/choose/sample.ts';
import { methods, speciesOf } from '../../catalogue/catalogue.ts';
import { type Method, OPENS, takeApart } from '../../core/termination/method.ts';
import { Woven, WeaveDefs } from '../../ui/Weave.tsx';
import { monthName, showDay } from '../../ui/dates.ts';

interface Props {
  samples: Sample[];
  chosen: string | null;
  onChoose(id: string): void;
  freeDay: Day;
  plantDay: Day;
}

/** Nothing lies on the ground once it is done. */
const opens = (way: Method | undefined) => way?.passes.some((p) => OPENS.has(p.kind)) ?? false;

export const COLUMN = 100;
export const LEFT = 84;
const TOP = 6;
const HEIGHT = 262;
const WIDTH = 70;

/** Where in the gap a day lies, px from the top of the picture. */
interface Gap {
  y(day: Day): number;
  span: number;
  plantDay: Day;
  prefix: string;
}

/** Samples hung side by side in the gap they must fill; time runs downward. */
export function Samples({ samples, chosen, onChoose, freeDay, plantDay }: Props) {
  const prefix = `s${useId().replace(/\W/g, '')}`;
  const span = Math.max(1, plantDay - freeDay);
  const y = (day: Day) => TOP + (Math.max(-2, Math.min(span + 16, day - freeDay)) / span) * HEIGHT;
  const right = LEFT + samples.length * COLUMN;
  const gap: Gap = { y, span, plantDay, prefix };
  return (
    <svg
      width={right}
      height={TOP + HEIGHT + 34}
      role="img"
      aria-label={`${samples.length} covers hung in the gap; the table below has the figures`}
    >
      <WeaveDefs prefix={prefix} />
      <Months freeDay={freeDay} gap={gap} right={right} />
      {samples.map((s, i) => (
        <g key={s.id} onClick={() => onChoose(s.id)} className="cursor-pointer">
          <HungSample
            sample={s}
            x={LEFT + i * COLUMN + (COLUMN - WIDTH) / 2}
            gap={gap}
            chosen={s.id === chosen}
          />
        </g>
      ))}
      <path d={`M${LEFT - 6} ${y(plantDay)}H${right}`} stroke="var(--color-walnut)" strokeWidth={3} />
      <rect x={LEFT - 62} y={y(plantDay) - 10} width={58} height={20} fill="var(--color-walnut)" />
      <text
        x={LEFT - 33}
        y={y(plantDay) + 4}
        fontSize={12}
        fill="var(--color-paper)"
        fontWeight={700}
        textAnchor="middle"
      >
        {showDay(plantDay)}
      </text>
    </svg>
  );
}

/** The first of every month, as a line across. */
function Months({ freeDay, gap: { y, plantDay }, right }: { freeDay: Day; gap: Gap; right: number }) {
  const months: Day[] = [];
  for (let d = freeDay; d < plantDay; d++) if (new Date(d * 86_400_000).getUTCDate() === 1) months.push(d);
  return months.map((m) => (
    <g key={m}>
      <line x1={LEFT - 6} x2={right} y1={y(m)} y2={y(m)} stroke="var(--color-linen)" />
      <text x={LEFT - 56} y={y(m) + 4} fontSize={12} fill="var(--color-bark)" fontWeight={600}>
        {monthName(m)}
      </text>
    </g>
  ));
}

interface Column {
  sample: Sample;
  x: number;
  gap: Gap;
}

/** One sample from sowing to planting: what grows, what then lies there, when it can be ended and when the ground closes. */
function HungSample({ sample, x, gap, chosen }: Column & { chosen: boolean }) {
  const { best, first, stand } = sample;
  const { y, span, plantDay, prefix } = gap;
  const end = best ? Math.min(plantDay, best.startDay) : plantDay;
  const cover = (at: number) => stand.coverByDay[Math.round(((at - TOP) / HEIGHT) * span)] ?? 0;
  const woven = (parts: Sample['parts'], from: Day, to: Day) => (
    <Woven
      prefix={prefix}
      x={x}
      y={y(from)}
      width={WIDTH}
      height={y(to) - y(from)}
      bands={parts.map((p) => ({ motif: speciesOf(p.speciesId).role, share: p.share }))}
      coverAt={cover}
    />
  );
  return (
    <>
      {chosen && (
        <rect
          x={x - 13}
          y={0}
          width={WIDTH + 26}
          height={TOP + HEIGHT + 34}
          fill="var(--color-paper)"
          stroke="var(--color-walnut)"
          strokeWidth={1.5}
        />
      )}
      <rect x={x} y={TOP} width={WIDTH} height={HEIGHT + 22} fill={`url(#${prefix}-warp)`} />
      {first && woven(first.parts, first.sowDay, first.best.startDay)}
      {first && !opens(methods.find((m) => m.id === first.best.method)) && (
        <Lying x={x} gap={gap} what="residue" from={first.best.startDay} to={sample.sowDay} />
      )}
      {woven(sample.parts, sample.sowDay, end)}
      <Afterwards sample={sample} x={x} gap={gap} end={end} />
      <Marks sample={sample} x={x} gap={gap} end={end} />
    </>
  );
}

/** What lies on the ground between two days. */
function Lying({
  x,
  gap: { y, prefix },
  what,
  from,
  to,
}: {
  x: number;
  gap: Gap;
  what: 'sheet' | 'residue';
  from: Day;
  to: Day;
}) {
  const height = Math.max(0, y(to) - y(from));
  return <rect x={x} y={y(from)} width={WIDTH} height={height} fill={`url(#${prefix}-${what})`} />;
}

/** The sheet until what is under it is dead, and what lies there until planting. */
function Afterwards({ sample: { best }, x, gap, end }: Column & { end: Day }) {
  const { plantDay } = gap;
  const ending = methods.find((m) => m.id === best?.method);
  if (!ending) return null;
  const sheet = takeApart(ending).covering !== null;
  const lies = !opens(ending);
  const dead = best && Number.isFinite(best.dead.mid) ? Math.min(plantDay, best.dead.mid) : plantDay;
  return (
    <>
      {sheet && <Lying x={x} gap={gap} what="sheet" from={end} to={dead} />}
      {lies && <Lying x={x} gap={gap} what="residue" from={sheet ? dead : end} to={plantDay} />}
    </>
  );
}

/** Madder for when it can be ended, dark for when the ground closes, a cross where planting day comes too soon in most years. */
function Marks({ sample: { best, stand }, x, gap: { y, plantDay }, end }: Column & { end: Day }) {
  const ending = methods.find((m) => m.id === best?.method);
  const waits = ending !== undefined && takeApart(ending).waits !== null;
  const window = waits ? best && [best.dead.low, Math.min(plantDay, best.dead.high)] : best?.windowDays;
  const open = window && Number.isFinite(window[0]) && (waits || window[1]! > window[0]!);
  const closes = Number.isFinite(stand.closed.mid) && stand.closed.mid < end;
  const [right, top, bottom] = [x + WIDTH, y(plantDay) - 30, y(plantDay) + 14];
  return (
    <>
      {open && (
        <path
          d={`M${x - 6} ${y(window[0]!)}V${y(window[1]!)}`}
          stroke="var(--color-madder)"
          strokeWidth={4}
        />
      )}
      {best && <path d={`M${x - 8} ${y(end)}H${right + 4}`} stroke="var(--color-madder)" strokeWidth={2} />}
      {closes && (
        <path
          d={`M${right + 5} ${y(stand.closed.low)}V${y(Math.min(end, stand.closed.high))}`}
          stroke="var(--color-walnut)"
          strokeWidth={3}
        />
      )}
      {(!best || best.odds.inTime < 0.5) && (
        <path
          d={`M${x} ${top}L${right} ${bottom}M${right} ${top}L${x} ${bottom}`}
          stroke="var(--color-madder)"
          strokeWidth={3}
        />
      )}
    </>
  );
}
