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

/** Samples hung side by side in the gap they must fill; time runs downward. */
export function Samples({ samples, chosen, onChoose, freeDay, plantDay }: Props) {
  const prefix = `s${useId().replace(/\W/g, '')}`;
  const span = Math.max(1, plantDay - freeDay);
  const y = (day: Day) => TOP + (Math.max(-2, Math.min(span + 16, day - freeDay)) / span) * HEIGHT;
  const months: number[] = [];
  for (let d = freeDay; d < plantDay; d++) if (new Date(d * 86_400_000).getUTCDate() === 1) months.push(d);
  return (
    <svg
      width={LEFT + samples.length * COLUMN}
      height={TOP + HEIGHT + 34}
      role="img"
      aria-label={`${samples.length} covers hung in the gap; the table below has the figures`}
    >
      <WeaveDefs prefix={prefix} />
      {months.map((m) => (
        <g key={m}>
          <line
            x1={LEFT - 6}
            x2={LEFT + samples.length * COLUMN}
            y1={y(m)}
            y2={y(m)}
            stroke="var(--color-linen)"
          />
          <text x={LEFT - 56} y={y(m) + 4} fontSize={12} fill="var(--color-bark)" fontWeight={600}>
            {monthName(m)}
          </text>
        </g>
      ))}
      {samples.map((s, i) => {
        const x = LEFT + i * COLUMN + (COLUMN - WIDTH) / 2;
        const bands = s.parts.map((p) => ({ motif: speciesOf(p.speciesId).role, share: p.share }));
        const best = s.best;
        const end = best ? Math.min(plantDay, best.startDay) : plantDay;
        const ending = methods.find((m) => m.id === best?.method);
        const sheet = ending !== undefined && takeApart(ending).covering !== null;
        const waits = ending !== undefined && takeApart(ending).waits !== null;
        const dead = best && Number.isFinite(best.dead.mid) ? Math.min(plantDay, best.dead.mid) : plantDay;
        const lies = ending !== undefined && !opens(ending);
        const fails = !best || best.odds.inTime < 0.5;
        const cover = (at: number) => s.stand.coverByDay[Math.round(((at - TOP) / HEIGHT) * span)] ?? 0;
        return (
          <g key={s.id} onClick={() => onChoose(s.id)} className="cursor-pointer">
            {s.id === chosen && (
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
            {s.first && (
              <>
                <Woven
                  prefix={prefix}
                  x={x}
                  y={y(s.first.sowDay)}
                  width={WIDTH}
                  height={y(s.first.best.startDay) - y(s.first.sowDay)}
                  bands={s.first.parts.map((p) => ({
                    motif: speciesOf(p.speciesId).role,
                    share: p.share,
                  }))}
                  coverAt={cover}
                />
                {!opens(methods.find((m) => m.id === s.first!.best.method)) && (
                  <rect
                    x={x}
                    y={y(s.first.best.startDay)}
                    width={WIDTH}
                    height={Math.max(0, y(s.sowDay) - y(s.first.best.startDay))}
                    fill={`url(#${prefix}-residue)`}
                  />
                )}
              </>
            )}
            <Woven
              prefix={prefix}
              x={x}
              y={y(s.sowDay)}
              width={WIDTH}
              height={y(end) - y(s.sowDay)}
              bands={bands}
              coverAt={cover}
            />
            {(sheet || lies) && (
              <rect
                x={x}
                y={y(end)}
                width={WIDTH}
                height={Math.max(0, y(sheet ? dead : plantDay) - y(end))}
                fill={`url(#${prefix}-${sheet ? 'sheet' : 'residue'})`}
              />
            )}
            {sheet && lies && (
              <rect
                x={x}
                y={y(dead)}
                width={WIDTH}
                height={Math.max(0, y(plantDay) - y(dead))}
                fill={`url(#${prefix}-residue)`}
              />
            )}
            {best && best.windowDays[1] > best.windowDays[0] && !waits && (
              <path
                d={`M${x - 6} ${y(best.windowDays[0])}V${y(best.windowDays[1])}`}
                stroke="var(--color-madder)"
                strokeWidth={4}
              />
            )}
            {best && waits && Number.isFinite(best.dead.low) && (
              <path
                d={`M${x - 6} ${y(best.dead.low)}V${y(Math.min(plantDay, best.dead.high))}`}
                stroke="var(--color-madder)"
                strokeWidth={4}
              />
            )}
            {best && (
              <path d={`M${x - 8} ${y(end)}H${x + WIDTH + 4}`} stroke="var(--color-madder)" strokeWidth={2} />
            )}
            {Number.isFinite(s.stand.closed.mid) && s.stand.closed.mid < end && (
              <path
                d={`M${x + WIDTH + 5} ${y(s.stand.closed.low)}V${y(Math.min(end, s.stand.closed.high))}`}
                stroke="var(--color-walnut)"
                strokeWidth={3}
              />
            )}
            {fails && (
              <path
                d={`M${x} ${y(plantDay) - 30}L${x + WIDTH} ${y(plantDay) + 14}M${x + WIDTH} ${y(plantDay) - 30}L${x} ${y(plantDay) + 14}`}
                stroke="var(--color-madder)"
                strokeWidth={3}
              />
            )}
          </g>
        );
      })}
      <path
        d={`M${LEFT - 6} ${y(plantDay)}H${LEFT + samples.length * COLUMN}`}
        stroke="var(--color-walnut)"
        strokeWidth={3}
      />
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
