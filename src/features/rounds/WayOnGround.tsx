import { useMemo } from 'react';
import { layOut } from '../../core/ground/layOut.ts';
import { footOf } from '../../core/ground/shade.ts';
import { boxOf, outlineOf, type Point } from '../../core/ground/shape.ts';
import { walkFrom } from '../../questions/rounds.ts';
import { useGarden } from '../../ring/garden.tsx';

/** Round everything on the plan, m. */
const MARGIN_M = 0.8;
/** Numbers and names on the plan stand this high however large the garden is, as a share of its longer side. */
const LETTER = 0.042;

interface Props {
  /** Beds in the order in which they are passed. */
  way: { bedId: string; done: boolean }[];
  /** The bed one stands at. */
  at?: string;
}

/** The plan of the ground with the way past the beds that are due: small, north not turned, as it was laid out. */
export function WayOnGround({ way, at }: Props) {
  const { garden, beds } = useGarden();
  const plan = useMemo(() => {
    const places = layOut(beds, garden.north_deg);
    const placed = beds.map((bed) => {
      const lies = places.get(bed.id)!;
      return { bed, lies, outline: outlineOf(bed, lies) };
    });
    const box = boxOf([...placed.flatMap((p) => p.outline), ...garden.marks.flatMap((m) => footOf(m))]);
    return { placed, box };
  }, [beds, garden.marks, garden.north_deg]);
  if (beds.length === 0) return null;
  const { placed, box } = plan;
  const [w, h] = [box.width + 2 * MARGIN_M, box.height + 2 * MARGIN_M];
  const letter = Math.max(w, h) * LETTER;
  const ring = (points: readonly Point[]) => points.map((p) => p.join(',')).join(' ');
  const middle = (id: string): Point | undefined => {
    const p = placed.find((x) => x.bed.id === id);
    return p && [p.lies.x_m, p.lies.y_m];
  };
  const from = walkFrom(garden);
  const stops = way.flatMap((s) => {
    const point = middle(s.bedId);
    return point ? [{ ...s, point }] : [];
  });
  const line = [...(from ? [from] : []), ...stops.map((s) => s.point)];
  // Where the way ends is said by an arrow on its last stretch.
  const [before, last] = line.slice(-2);
  const turn =
    before && last ? (Math.atan2(last[1] - before[1], last[0] - before[0]) * 180) / Math.PI : undefined;
  return (
    <svg
      viewBox={`${box.x - MARGIN_M} ${box.y - MARGIN_M} ${w} ${h}`}
      className="border-linen bg-paper max-h-[46vh] w-full border"
      role="img"
      aria-label={`The way past ${stops.length === 1 ? 'one bed' : `${stops.length} beds`}: ${stops
        .map((s) => beds.find((b) => b.id === s.bedId)!.name)
        .join(', ')}`}
    >
      {garden.marks.map((m) => (
        <polygon
          key={m.id}
          points={ring(footOf(m))}
          fill={m.kind === 'path' ? 'var(--color-linen)' : 'var(--color-warp)'}
        />
      ))}
      {placed.map(({ bed, outline }) => {
        const stop = stops.find((s) => s.bedId === bed.id);
        return (
          <polygon
            key={bed.id}
            points={ring(outline)}
            fill={
              !stop
                ? 'var(--color-wool)'
                : stop.done
                  ? 'var(--color-linen)'
                  : 'color-mix(in srgb, var(--color-madder) 35%, var(--color-paper))'
            }
            stroke={bed.id === at ? 'var(--color-walnut)' : 'var(--color-warp)'}
            strokeWidth={bed.id === at ? 3 : 1.5}
            strokeDasharray={bed.at ? undefined : '5 4'}
            vectorEffect="non-scaling-stroke"
          />
        );
      })}
      {line.length > 1 && (
        <polyline
          points={ring(line)}
          fill="none"
          stroke="var(--color-madder)"
          strokeWidth={3}
          strokeDasharray="1 7"
          strokeLinecap="round"
          vectorEffect="non-scaling-stroke"
        />
      )}
      {from && <circle cx={from[0]} cy={from[1]} r={letter * 0.4} fill="var(--color-madder)" />}
      {turn !== undefined && (
        <path
          d={`M${-letter * 2.3} ${-letter * 0.5}l${letter * 0.7} ${letter * 0.5}l${-letter * 0.7} ${letter * 0.5}`}
          transform={`translate(${last!.join(' ')}) rotate(${turn})`}
          fill="none"
          stroke="var(--color-madder)"
          strokeWidth={3}
          vectorEffect="non-scaling-stroke"
        />
      )}
      {stops.map((s) => (
        <g key={s.bedId} transform={`translate(${s.point.join(' ')})`}>
          <circle r={letter} fill={s.done ? 'var(--color-leaf)' : 'var(--color-madder)'} />
          <text
            textAnchor="middle"
            dominantBaseline="central"
            fontSize={letter * 1.1}
            fontWeight={700}
            fill="var(--color-paper)"
          >
            {beds.find((b) => b.id === s.bedId)!.name}
          </text>
        </g>
      ))}
    </svg>
  );
}
