import { useId } from 'react';
import { speciesOf } from '../../catalogue/catalogue.ts';
import { type LastWeeks } from '../../core/plan/lastWeeks.ts';
import { type UnitChoice } from '../../core/units/show.ts';
import { AIM_FIGURES } from '../../ui/aimFigures.ts';
import { showDay, showSpan } from '../../ui/dates.ts';
import { Woven, WeaveDefs } from '../../ui/Weave.tsx';
import { type Scale } from '../../ui/downward.ts';

interface Props {
  last: LastWeeks;
  parts: { speciesId: string; share: number }[];
  /** The aim whose figure stands beside the strip. */
  aim: string;
  scale: Scale;
  units: UnitChoice;
}

export const WAITING_PX = 176;
const STRIP = 92;
/** Figures no closer than this, px. */
const APART_PX = 46;

/** Weather that comes in fewer years than this is left out of the picture. */
const WORTH_A_MARK = 0.1;
const WEATHER = [
  ['frost', 'frost thins it', 'var(--color-indigo)'],
  ['heat', 'heat thins it', '#b0721a'],
  ['wet', 'no day to dig', '#5c7c86'],
] as const;

/** What waiting buys: the stand as wide as its dry matter, woven as far as it lives and straw beyond, its figures down the side, stages as ranges, and the day seed begins. */
export function WaitingStrip({ last, parts, aim, scale, units }: Props) {
  // Two of them may stand on a page, one of them hidden: a hidden pattern paints nothing.
  const id = `wait${useId().replace(/\W/g, '')}`;
  const { days, stages, seed } = last;
  const weather = WEATHER.flatMap(([id, words, ink]) => {
    const weeks = last.weeks.filter((w) => w[id] >= WORTH_A_MARK && w.from < scale.to && w.to > scale.from);
    return weeks.length > 0 ? [{ id, words, ink, weeks }] : [];
  });
  const most = Math.max(1, ...days.map((d) => d.dryMatter_g_m2.high));
  const x = (g: number) => Math.max(3, (Math.max(0, g) / most) * STRIP);
  const line = (f: (d: (typeof days)[number]) => number) =>
    days.map((d) => `${x(f(d)).toFixed(1)} ${scale.y(d.day).toFixed(1)}`).join('L');
  const firstY = scale.y(days[0]?.day ?? scale.from);
  const lastY = scale.y(days.at(-1)?.day ?? scale.to);
  const outline = (of: (d: (typeof days)[number]) => number) => `M0 ${firstY}L${line(of)}L0 ${lastY}Z`;
  const range = `M${line((d) => d.dryMatter_g_m2.low)}L${[...days]
    .reverse()
    .map((d) => `${x(d.dryMatter_g_m2.high).toFixed(1)} ${scale.y(d.day).toFixed(1)}`)
    .join('L')}Z`;
  const deadFrom = days.find((d) => d.living < 0.5)?.day;
  const figure = AIM_FIGURES[aim] ?? AIM_FIGURES.loosen!;
  const told: typeof days = [];
  for (const d of days)
    if (told.length === 0 || scale.y(d.day) - scale.y(told.at(-1)!.day) >= APART_PX) told.push(d);
  const bands = parts.map((p) => ({ motif: speciesOf(p.speciesId).role, share: p.share }));
  return (
    <svg
      width={WAITING_PX}
      height={scale.height + 2}
      className="overflow-visible"
      role="img"
      aria-label={`Left standing${deadFrom ? ` (mostly dead from ${showDay(deadFrom)})` : ''}: ${told
        .map((d) => figure.show(figure.of(d).mid, units))
        .join(', ')} ${figure.name}; ${stages
        .map(
          (s) =>
            `${speciesOf(s.speciesId).name.toLowerCase()} in flower ${showSpan(s.flower.low, s.flower.high)}`,
        )
        .join(', ')}${weather
        .map((w) => `; ${w.words} in up to ${tenths(w.weeks, w.id)} of 10 years`)
        .join('')}`}
    >
      <WeaveDefs prefix={id} />
      <defs>
        <clipPath id={`${id}-stand`}>
          <path d={outline((d) => d.dryMatter_g_m2.mid * d.living)} />
        </clipPath>
      </defs>
      <rect width={STRIP} height={scale.height} fill={`url(#${id}-warp)`} />
      <path d={outline((d) => d.dryMatter_g_m2.mid)} fill={`url(#${id}-residue)`} />
      <g clipPath={`url(#${id}-stand)`}>
        <Woven prefix={id} x={0} y={firstY} width={STRIP} height={lastY - firstY} bands={bands} />
      </g>
      <path d={range} fill="var(--color-walnut)" opacity={0.12} />
      {stages.map((s, i) => {
        const top = scale.y(s.flower.low);
        const bottom = scale.y(Math.min(s.flower.high, scale.to));
        if (!Number.isFinite(s.flower.low) || s.flower.low > scale.to || s.flower.high < scale.from)
          return null;
        const left = STRIP + 4 + i * 7;
        return (
          <path
            key={s.speciesId}
            d={`M${left + 4} ${top}h-4V${Math.max(top + 2, bottom)}h4`}
            fill="none"
            stroke={STAGE_INK[speciesOf(s.speciesId).role] ?? 'var(--color-walnut)'}
            strokeWidth={2.5}
          />
        );
      })}
      {seed.early < scale.to && (
        <>
          <rect
            x={1}
            y={scale.y(seed.early)}
            width={STRIP - 2}
            height={scale.height - scale.y(seed.early)}
            fill="var(--color-madder)"
            fillOpacity={0.1}
            stroke="var(--color-madder)"
            strokeWidth={1.5}
          />
          <Tag
            x={STRIP + 5}
            y={Math.min(scale.height - 4, scale.y(seed.early) + 12)}
            text="seed may ripen"
            madder
          />
        </>
      )}
      {weather.map(({ id: kind, ink, weeks }, i) =>
        weeks.map((w) => (
          <rect
            key={`${kind}${w.from}`}
            x={STRIP - 8 - i * 7}
            y={Math.max(0, scale.y(w.from) + 1)}
            width={6}
            height={Math.max(2, Math.min(scale.height, scale.y(w.to)) - Math.max(0, scale.y(w.from)) - 2)}
            fill={ink}
            opacity={0.25 + 0.75 * Math.min(1, w[kind])}
          />
        )),
      )}
      {told.map((d) => (
        <Tag key={d.day} x={4} y={scale.y(d.day) + 18} text={figure.show(figure.of(d).mid, units)} strong />
      ))}
      {stages.map((s, i) => {
        if (!Number.isFinite(s.flower.mid) || s.flower.low > scale.to || s.flower.high < scale.from)
          return null;
        const [word] = speciesOf(s.speciesId).name.toLowerCase().split(' ').slice(-1);
        return (
          <text
            key={s.speciesId}
            x={STRIP + 12 + i * 7}
            y={Math.max(11, Math.min(scale.height - 6, scale.y(s.flower.mid) + 4 + i * 13))}
            fontSize={12}
            fontWeight={600}
            fill="var(--color-walnut)"
          >
            {word} blooms
          </text>
        );
      })}
    </svg>
  );
}

type WeatherKind = (typeof WEATHER)[number][0];
const tenths = (weeks: LastWeeks['weeks'], kind: WeatherKind): number =>
  Math.max(1, Math.round(Math.max(...weeks.map((w) => w[kind])) * 10));

/** The weather of the weeks that wait, in words: what it may do, how often, and when most. */
export function WeatherKey({ last }: { last: LastWeeks }) {
  const rows = WEATHER.flatMap(([id, words, ink]) => {
    const most = last.weeks.reduce<LastWeeks['weeks'][number] | undefined>(
      (a, w) => (w[id] >= WORTH_A_MARK && w[id] > (a?.[id] ?? 0) ? w : a),
      undefined,
    );
    return most ? [{ id, words, ink, most }] : [];
  });
  if (rows.length === 0) return null;
  return (
    <ul className="mt-1 text-sm leading-tight">
      {rows.map((r) => (
        <li key={r.id} className="flex items-baseline gap-1.5">
          <span className="inline-block h-2.5 w-2.5 shrink-0" style={{ background: r.ink }} />
          <span>
            {r.words}: {tenths([r.most], r.id)} of 10 years in the week of {showDay(r.most.from)}
          </span>
        </li>
      ))}
    </ul>
  );
}

const STAGE_INK: Record<string, string> = {
  grass: 'var(--color-moss)',
  legume: 'var(--color-indigo)',
  brassica: '#7a5310',
  broadleaf: '#8a4460',
};

function Tag({
  x,
  y,
  text,
  strong,
  madder,
}: {
  x: number;
  y: number;
  text: string;
  strong?: boolean;
  madder?: boolean;
}) {
  return (
    <g>
      <rect
        x={x - 2}
        y={y - 13}
        width={text.length * 6.9 + 6}
        height={17}
        fill="var(--color-paper)"
        opacity={0.92}
      />
      <text
        x={x + 1}
        y={y}
        fontSize={12}
        fontWeight={strong ? 700 : 600}
        fill={madder ? 'var(--color-madder)' : 'var(--color-walnut)'}
      >
        {text}
      </text>
    </g>
  );
}
