import { type KeyboardEvent } from 'react';
import { footOf } from '../../../core/ground/shade.ts';
import type { Mark } from '../../../records/types.ts';
import { Label } from './OneBed.tsx';

const MARK_FILL: Record<Mark['kind'], string> = {
  path: '#dcc9a4',
  shed: '#b9a888',
  water: '#9db6cf',
  tree: '#a9bb8a',
  hedge: '#8ea56b',
  wall: '#a89a88',
  other: '#d4c3a6',
};

export function PlanMark({
  mark,
  chosen,
  x,
  y,
  px,
  bind,
  choose,
  onKey,
}: {
  mark: Mark;
  chosen: boolean;
  x: number;
  y: number;
  px(m: number): number;
  bind: object;
  choose(): void;
  onKey(e: KeyboardEvent): void;
}) {
  const corners = footOf({ ...mark, x_m: 0, y_m: 0 });
  const roomy = px(Math.min(mark.width_m, mark.length_m)) > 24;
  return (
    <g transform={`translate(${x} ${y})`}>
      <g
        {...bind}
        tabIndex={0}
        role="button"
        aria-pressed={chosen}
        aria-label={mark.name || mark.kind}
        aria-describedby="plan-keys"
        style={{ touchAction: chosen ? 'none' : 'manipulation', cursor: chosen ? 'grab' : 'pointer' }}
        onKeyDown={(e) => {
          if (e.key === 'Enter' || e.key === ' ') {
            e.preventDefault();
            return choose();
          }
          onKey(e);
        }}
      >
        <polygon
          points={corners.map(([a, b]) => `${px(a)},${px(b)}`).join(' ')}
          fill={MARK_FILL[mark.kind]}
          stroke={chosen ? 'var(--color-walnut)' : 'var(--color-bark)'}
          strokeWidth={chosen ? 3 : 1}
        />
      </g>
      {mark.kind !== 'path' && roomy && <Label text={mark.name || mark.kind} small />}
    </g>
  );
}
