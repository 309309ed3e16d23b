import { useId } from 'react';
import { type Day } from '../../core/calendar/day.ts';
import { type Clash, type ThingBoard } from '../../core/share/types.ts';
import { showDay } from '../../ui/dates.ts';
import { marksOf, scaleOf } from '../../ui/downward.ts';
import { WeaveDefs } from '../../ui/Weave.tsx';

interface Props {
  board: ThingBoard[];
  clashes: Clash[];
  sizeOf(thingId: string): string;
  now: Day;
  to: Day;
}

const STRIP = 108;
const GAP = 40;
const LEFT = 72;
const HEIGHT = 430;
const TOP = 12;
/** A bed that comes for a thing another has hangs beside it, so far out of line. */
const ASIDE = 36;

/** What lies where and how long: one strip a thing, time downward; dark while it surely lies, faint while it may, red where two want it. */
export function Board({ board, clashes, sizeOf, now, to }: Props) {
  const prefix = `sh${useId().replace(/\W/g, '')}`;
  const scale = scaleOf(now, to, HEIGHT);
  const y = (d: Day) => TOP + scale.y(d);
  const width = LEFT + board.length * (STRIP + GAP);
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Where things lie">
      <div style={{ width }}>
        <div className="flex" style={{ paddingLeft: LEFT }}>
          {board.map((b) => (
            <div key={b.thing.id} className="shrink-0" style={{ width: STRIP + GAP }}>
              <h3 className="font-display leading-tight font-bold">{b.thing.name}</h3>
              <p className="text-bark text-sm">{sizeOf(b.thing.id)}</p>
            </div>
          ))}
        </div>
        <svg width={width} height={TOP + HEIGHT + 6} role="img" aria-label={told(board)}>
          <WeaveDefs prefix={prefix} />
          <defs>
            <pattern id={`${prefix}-pen`} width={14} height={14} patternUnits="userSpaceOnUse">
              <rect width={14} height={14} fill="#f1dfd6" />
              <path d="M0 0L14 14M14 0L0 14" stroke="var(--color-madder)" strokeWidth={1.6} />
            </pattern>
          </defs>
          {marksOf(scale).map((d) => (
            <g key={d}>
              <path d={`M${LEFT - 6} ${y(d)}H${width}`} stroke="var(--color-linen)" />
              {y(d) > TOP + 16 && (
                <text x={LEFT - 12} y={y(d) + 4} fontSize={13} fill="var(--color-bark)" textAnchor="end">
                  {showDay(d)}
                </text>
              )}
            </g>
          ))}
          {board.map((b, i) => {
            const x = LEFT + i * (STRIP + GAP);
            const fill = `url(#${prefix}-${b.thing.of === 'opaque-sheet' || b.thing.of === 'clear-film' ? 'sheet' : 'pen'})`;
            return (
              <g key={b.thing.id}>
                <rect x={x} y={TOP} width={STRIP} height={HEIGHT} fill={`url(#${prefix}-warp)`} />
                {b.stretches.map((s) => {
                  if (s.until.high < now || s.from > to) return null;
                  const wanting = clashes.some((c) => c.wants === s.coverId && c.thingId === b.thing.id);
                  const left = wanting ? x + ASIDE : x;
                  return (
                    <g key={s.coverId}>
                      <rect
                        x={left}
                        y={y(s.from)}
                        width={STRIP}
                        height={Math.max(3, y(s.until.mid) - y(s.from))}
                        fill={fill}
                        opacity={wanting ? 0.8 : 1}
                      />
                      <rect
                        x={left}
                        y={y(s.until.mid)}
                        width={STRIP}
                        height={Math.max(0, y(s.until.high) - y(s.until.mid))}
                        fill={fill}
                        opacity={0.4}
                      />
                      {wanting && (
                        <rect
                          x={left}
                          y={y(s.from)}
                          width={STRIP}
                          height={Math.max(0, y(s.until.high) - y(s.from))}
                          fill="none"
                          stroke="var(--color-madder)"
                          strokeWidth={3}
                        />
                      )}
                      <Tag x={left + 6} y={y(Math.max(now, s.from)) + 6} text={s.bed} />
                    </g>
                  );
                })}
                {byDay(b.days, now, to).map(([day, beds]) => (
                  <g key={day}>
                    <rect x={x} y={y(day) - 4} width={STRIP} height={8} fill={`url(#${prefix}-residue)`} />
                    <path d={`M${x} ${y(day)}H${x + STRIP}`} stroke="var(--color-walnut)" strokeWidth={2} />
                    <Tag x={x + 6} y={y(day) - 10} text={beds.join(', ')} />
                  </g>
                ))}
              </g>
            );
          })}
          <rect x={0} y={TOP - 10} width={LEFT - 8} height={20} fill="var(--color-walnut)" />
          <text
            x={LEFT - 14}
            y={TOP + 4}
            fontSize={13}
            fontWeight={700}
            fill="var(--color-paper)"
            textAnchor="end"
          >
            today
          </text>
        </svg>
      </div>
    </div>
  );
}

/** Days of a thing that close together share a tag. */
const CLOSE_D = 9;
function byDay(days: ThingBoard['days'], now: Day, to: Day): [Day, string[]][] {
  const groups: [Day, string[]][] = [];
  for (const d of [...days].sort((a, b) => a.day - b.day)) {
    const day = Math.max(now, d.day);
    if (day > to) continue;
    const last = groups.at(-1);
    if (last && day - last[0] <= CLOSE_D) {
      if (!last[1].includes(d.bed)) last[1].push(d.bed);
    } else groups.push([day, [d.bed]]);
  }
  return groups;
}

function Tag({ x, y, text }: { x: number; y: number; text: string }) {
  return (
    <g>
      <rect x={x} y={y} width={text.length * 7.4 + 12} height={20} fill="var(--color-paper)" />
      <text x={x + 6} y={y + 14.5} fontSize={13} fontWeight={700} fill="var(--color-walnut)">
        {text}
      </text>
    </g>
  );
}

const told = (board: ThingBoard[]): string =>
  board
    .map(
      (b) =>
        `${b.thing.name}: ${
          b.stretches
            .map(
              (s) =>
                `bed ${s.bed} from ${showDay(s.from)} to ${showDay(s.until.mid)}, at the latest ${showDay(s.until.high)}`,
            )
            .concat(b.days.map((d) => `bed ${d.bed} on ${showDay(d.day)}`))
            .join('; ') || 'free'
        }`,
    )
    .join('. ');
