import { type KeyboardEvent } from 'react';
import { boxOf, cornersOf } from '../../../core/ground/shape.ts';
import { InBed } from './InBed.tsx';
import { Woven } from '../../../ui/Weave.tsx';
import { type PlacedBed, type Plan } from './usePlan.ts';
import { Handles } from './Handles.tsx';
import { PREFIX, type Hand } from './hand.ts';

/** One bed where it lies, woven of what stands on it; chosen, it has handles. */
export function OneBed({
  plan,
  placed: p,
  hand,
  setHand,
  scale,
  at: [x, y],
  bind,
  onKey,
}: {
  plan: Plan;
  placed: PlacedBed;
  hand: Hand | null;
  setHand(hand: Hand | null): void;
  scale: number;
  /** Its middle, px. */
  at: readonly [number, number];
  bind: object;
  onKey(e: KeyboardEvent): void;
}) {
  const px = (m: number) => m * scale;
  const held = hand?.id === p.bed.id ? hand : null;
  const corners = held?.corners ?? cornersOf(p.bed);
  const points = corners.map(([cx, cy]) => `${px(cx)},${px(cy)}`).join(' ');
  const on = plan.chosen?.id === p.bed.id;
  const choose = () => plan.setChosen({ what: 'bed', id: p.bed.id });
  const half = [
    Math.max(...corners.map((c) => Math.abs(c[0]))),
    Math.max(...corners.map((c) => Math.abs(c[1]))),
  ] as const;
  return (
    <g transform={`translate(${x + px(held?.x ?? 0)} ${y + px(held?.y ?? 0)})`}>
      <g
        {...bind}
        tabIndex={0}
        role="button"
        aria-pressed={on}
        aria-label={`Bed ${p.bed.name}`}
        aria-describedby="plan-keys"
        style={{ touchAction: on ? 'none' : 'manipulation', cursor: on ? 'grab' : 'pointer' }}
        transform={`rotate(${p.at.turn_deg + (held?.turn ?? 0)})`}
        onKeyDown={(e) => {
          if (e.key !== 'Enter' && e.key !== ' ') return onKey(e);
          e.preventDefault();
          choose();
        }}
        onFocus={(e) => e.target.matches(':focus-visible') && choose()}
      >
        <g clipPath={held?.corners ? undefined : `url(#plan-clip-${p.bed.id})`}>
          {'bands' in p.ground ? (
            <Woven
              prefix={PREFIX}
              x={-px(half[0])}
              y={-px(half[1])}
              width={px(half[0] * 2)}
              height={px(half[1] * 2)}
              bands={p.ground.bands}
            />
          ) : (
            <polygon points={points} fill={`url(#${PREFIX}-${p.ground.plain})`} />
          )}
        </g>
        {p.pieces.map((piece) => (
          <PlanPiece key={piece.bed.id} piece={piece} px={px} />
        ))}
        <polygon
          points={points}
          fill="#fff"
          fillOpacity={0}
          stroke={on ? 'var(--color-walnut)' : 'var(--color-bark)'}
          strokeWidth={on ? 3 : 1}
          strokeDasharray={p.guessed ? '5 4' : undefined}
        />
      </g>
      <InBed plan={plan} bed={p} px={px} scale={scale} movable={on} />
      <Label text={p.bed.name} small={px(half[0] * 2) < 24} />
      {on && <Handles plan={plan} bed={p} px={px} hand={hand} setHand={setHand} />}
    </g>
  );
}

/** A piece of a bed, with what is woven on it. */
function PlanPiece({ piece, px }: { piece: PlacedBed['pieces'][number]; px(m: number): number }) {
  const points = piece.corners.map(([x, y]) => `${px(x)},${px(y)}`).join(' ');
  const box = boxOf(piece.corners);
  const use = piece.bed.piece?.use;
  const plain = use === 'path' ? 'var(--color-linen)' : use === 'film' ? 'var(--color-bark)' : undefined;
  return (
    <g>
      {plain ? (
        <polygon points={points} fill={plain} />
      ) : 'bands' in piece.ground ? (
        <Woven
          prefix={PREFIX}
          x={px(box.x)}
          y={px(box.y)}
          width={px(box.width)}
          height={px(box.height)}
          bands={piece.ground.bands}
        />
      ) : (
        <polygon points={points} fill={`url(#${PREFIX}-${piece.ground.plain})`} />
      )}
      <polygon points={points} fill="none" stroke="var(--color-walnut)" strokeWidth={1.5} />
    </g>
  );
}

/** Name on a paper ground, in the middle of what it names. */
export function Label({ text, small }: { text: string; small?: boolean }) {
  const size = small ? 12 : 15;
  const w = text.length * size * 0.6 + 10;
  return (
    <g pointerEvents="none">
      <rect
        x={-w / 2}
        y={-size * 0.75}
        width={w}
        height={size * 1.5}
        fill="var(--color-paper)"
        opacity={0.92}
      />
      <text
        textAnchor="middle"
        dominantBaseline="central"
        fontSize={size}
        fontWeight={700}
        fill="var(--color-walnut)"
      >
        {text}
      </text>
    </g>
  );
}
