import { useId } from 'react';
import { speciesOf } from '../../catalogue/catalogue.ts';
import { type LastWeeks } from '../../core/plan/lastWeeks.ts';
import { type UnitChoice } from '../../core/units/show.ts';
import { AIM_FIGURES } from '../../ui/aimFigures.ts';
import { showSpan } from '../../ui/dates.ts';
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

/** What waiting buys: the stand as wide as its dry matter, its figures down the side, stages as ranges, and the day seed begins. */
export function WaitingStrip({ last, parts, aim, scale, units }: Props) {
  // Two of them may stand on a page, one of them hidden: a hidden pattern paints nothing.
  const id = `wait${useId().replace(/\W/g, '')}`;
  const { days, stages, seed } = last;
  const most = Math.max(1, ...days.map((d) => d.dryMatter_g_m2.high));
  const x = (g: number) => Math.max(3, (Math.max(0, g) / most) * STRIP);
  const line = (f: (d: (typeof days)[number]) => number) =>
    days.map((d) => `${x(f(d)).toFixed(1)} ${scale.y(d.day).toFixed(1)}`).join('L');
  const firstY = scale.y(days[0]?.day ?? scale.from);
  const lastY = scale.y(days.at(-1)?.day ?? scale.to);
  const outline = `M0 ${firstY}L${line((d) => d.dryMatter_g_m2.mid)}L0 ${lastY}Z`;
  const range = `M${line((d) => d.dryMatter_g_m2.low)}L${[...days]
    .reverse()
    .map((d) => `${x(d.dryMatter_g_m2.high).toFixed(1)} ${scale.y(d.day).toFixed(1)}`)
    .join('L')}Z`;
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
      aria-label={`Left standing: ${told
        .map((d) => figure.show(figure.of(d).mid, units))
        .join(', ')} ${figure.name}; ${stages
        .map(
          (s) =>
            `${speciesOf(s.speciesId).name.toLowerCase()} in flower ${showSpan(s.flower.low, s.flower.high)}`,
        )
        .join(', ')}`}
    >
      <WeaveDefs prefix={id} />
      <defs>
        <clipPath id={`${id}-stand`}>
          <path d={outline} />
        </clipPath>
      </defs>
      <rect width={STRIP} height={scale.height} fill={`url(#${id}-warp)`} />
      <g clipPath={`url(#${id}-stand)`}>
        <Woven prefix={id} x={0} y={firstY} width={STRIP} height={lastY - firstY} bands={bands} />
      </g>
      <path d={range} fill="#3c2a20" opacity={0.12} />
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
            stroke={STAGE_INK[speciesOf(s.speciesId).role] ?? '#3c2a20'}
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
            fill="#9e3a2d"
            fillOpacity={0.1}
            stroke="#9e3a2d"
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
            fill="#3c2a20"
          >
            {word} blooms
          </text>
        );
      })}
    </svg>
  );
}

const STAGE_INK: Record<string, string> = {
  grass: '#46602b',
  legume: '#2b4a70',
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
      <rect x={x - 2} y={y - 13} width={text.length * 6.9 + 6} height={17} fill="#fbf6ec" opacity={0.92} />
      <text
        x={x + 1}
        y={y}
        fontSize={12}
        fontWeight={strong ? 700 : 600}
        fill={madder ? '#8c3226' : '#3c2a20'}
      >
        {text}
      </text>
    </g>
  );
}
