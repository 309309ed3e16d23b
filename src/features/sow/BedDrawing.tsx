import { CAREFUL_HAND } from '../../core/broadcast/hand.ts';
import { placesOf } from '../../core/broadcast/walk.ts';
import { showLength, type UnitChoice } from '../../core/units/show.ts';
import type { Bed } from '../../records/types.ts';

const LONG_PX = 320;
const LEAST_PX = 34;

/** Length and width of a bed for walking; shapes other than rectangles are walked as the square of their area. */
export function groundOf(bed: Bed): { length_m: number; width_m: number } {
  if (bed.width_m && bed.length_m)
    return { length_m: Math.max(bed.width_m, bed.length_m), width_m: Math.min(bed.width_m, bed.length_m) };
  const side = Math.sqrt(bed.area_m2);
  return { length_m: side, width_m: side };
}

/** This bed to scale with the lines to walk for a portion, and lines by which a quarter, half and three quarters of the bag are thrown. */
export function BedDrawing({
  bed,
  along,
  thrown,
  units,
  reached,
}: {
  bed: Bed;
  along: boolean;
  thrown: number;
  units: UnitChoice;
  reached?: number;
}) {
  const ground = groundOf(bed);
  const scale = LONG_PX / ground.length_m;
  const height = Math.max(LEAST_PX, ground.width_m * scale);
  const across = height / ground.width_m;
  const places = placesOf(ground, CAREFUL_HAND, along);
  const px = (x: number) => 20 + x * scale;
  const py = (y: number) => 18 + y * across;
  const path = places
    .map((p, i) => `${i === 0 ? 'M' : 'L'}${px(p.x_m).toFixed(1)} ${py(p.y_m).toFixed(1)}`)
    .join('');
  return (
    <svg
      viewBox={`0 0 ${LONG_PX + 40} ${height + 50}`}
      className="w-full max-w-xl"
      role="img"
      aria-label={`Bed ${bed.name} to scale, ${showLength(ground.length_m, units)} by ${showLength(ground.width_m, units)}: walk ${along ? 'lengthways' : 'crosswise'}, ${places.length} handfuls`}
    >
      <rect
        x={20}
        y={18}
        width={LONG_PX}
        height={height}
        fill="var(--color-paper)"
        stroke="var(--color-walnut)"
        strokeWidth={1.5}
      />
      {Array.from({ length: thrown }, (_, k) => (
        <rect key={k} x={20} y={18} width={LONG_PX} height={height} fill="var(--color-leaf)" opacity={0.14} />
      ))}
      {reached !== undefined && reached < 1 && (
        <rect
          x={px(reached * ground.length_m)}
          y={18}
          width={(1 - reached) * LONG_PX}
          height={height}
          fill="var(--color-madder)"
          opacity={0.22}
        />
      )}
      {[0.25, 0.5, 0.75].map((q) => (
        <g key={q}>
          <line
            x1={px(q * ground.length_m)}
            x2={px(q * ground.length_m)}
            y1={14}
            y2={22 + height}
            stroke="var(--color-bark)"
            strokeDasharray="3 3"
          />
          <text
            x={px(q * ground.length_m)}
            y={11}
            textAnchor="middle"
            fontSize={11}
            fill="var(--color-walnut)"
          >
            {q === 0.5 ? 'half' : q === 0.25 ? '¼' : '¾'}
          </text>
        </g>
      ))}
      <path d={path} fill="none" stroke="var(--color-indigo)" strokeWidth={1.4} />
      {places.map((p, i) => (
        <circle key={i} cx={px(p.x_m)} cy={py(p.y_m)} r={2.6} fill="var(--color-indigo)" />
      ))}
      <text x={20 + LONG_PX / 2} y={height + 40} textAnchor="middle" fontSize={13} fill="var(--color-walnut)">
        {showLength(ground.length_m, units)} × {showLength(ground.width_m, units)}, {places.length} handfuls
      </text>
    </svg>
  );
}
