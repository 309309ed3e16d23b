import { findSpecies } from '../../catalogue/catalogue.ts';
import { type Day, dayOf } from '../../core/calendar/day.ts';
import { type StripLife } from '../../core/strips/life.ts';
import { Woven } from '../../ui/Weave.tsx';

/** Ground that is no hole though nothing is sown on it. */
export const NOT_SOWN = {
  path: 'var(--color-linen)',
  film: 'var(--color-bark)',
  kept: 'var(--color-leaf)',
} as const;
const USE_WORDS = { path: 'path', film: 'film', kept: 'kept', seed: 'for seed' } as const;

/** What a strip is for, written along it. */
export function UseMark({
  use,
  x,
  width,
  y,
  from,
  to,
}: {
  use: keyof typeof USE_WORDS;
  x: number;
  width: number;
  y(day: Day): number;
  from: number;
  to: number;
}) {
  if (width < 12 || y(to) - y(from) < 60) return null;
  return (
    <text
      transform={`translate(${x + width / 2 - 4} ${y(from) + 30}) rotate(90)`}
      fontSize={12}
      fontWeight={700}
      fill={use === 'film' || use === 'kept' ? 'var(--color-paper)' : 'var(--color-walnut)'}
    >
      {USE_WORDS[use]}
    </text>
  );
}

/** A path woven of what grows on it, with a line across for each time it was mown. */
export function LivingPath({
  life,
  prefix,
  x,
  width,
  y,
  from,
  to,
  now,
}: {
  life: StripLife;
  prefix: string;
  x: number;
  width: number;
  y(day: Day): number;
  from: number;
  to: number;
  now: number;
}) {
  const bands = [{ motif: findSpecies(life.what)?.role ?? ('grass' as const), share: 1 }];
  const begins = Math.max(from, dayOf(life.since));
  const parts = [
    [begins, Math.min(to, now), false],
    [Math.max(begins, now), to, true],
  ] as const;
  return (
    <g>
      {parts
        .filter(([a, b]) => b > a)
        .map(([a, b, faint]) => (
          <Woven
            key={a}
            prefix={prefix}
            x={x}
            y={y(a)}
            width={width}
            height={y(b) - y(a)}
            bands={bands}
            faint={faint}
          />
        ))}
      {life.done
        .map((d) => dayOf(d.on))
        .filter((day) => day >= begins && day < to)
        .map((day) => (
          <line
            key={day}
            x1={x}
            x2={x + width}
            y1={y(day)}
            y2={y(day)}
            stroke="var(--color-paper)"
            strokeWidth={3}
          />
        ))}
    </g>
  );
}
