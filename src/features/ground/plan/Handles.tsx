import { useDrag } from '@use-gesture/react';
import { pulledCorner, pulledSide, reshaped, type Side, turnedBy } from '../../../core/ground/pull.ts';
import { cornersOf, type Point } from '../../../core/ground/shape.ts';
import { type PlacedBed, type Plan } from './usePlan.ts';
import { type Hand } from './hand.ts';

const HANDLE_PX = 9;

/** Grips of the chosen bed: its sides, or its corners where it is no rectangle, and one to turn it by. */
export function Handles({
  plan,
  bed: p,
  px,
  hand,
  setHand,
}: {
  plan: Plan;
  bed: PlacedBed;
  px(m: number): number;
  hand: Hand | null;
  setHand(h: Hand | null): void;
}) {
  const held = hand?.id === p.bed.id ? hand : null;
  const corners = held?.corners ?? cornersOf(p.bed);
  const turn = p.at.turn_deg + (held?.turn ?? 0);
  const scale = px(1);
  const free = p.bed.ring !== null;
  const halfL = Math.max(...corners.map((c) => Math.abs(c[1])));

  const bind = useDrag(
    ({ args: [grip, index], movement: [mx, my], last, xy, event }) => {
      event.stopPropagation();
      if (grip === 'turn') {
        const svg = (event.target as Element).closest('svg')!.getBoundingClientRect();
        const [cx, cy] = [svg.left + px(p.at.x_m - plan.bounds.x), svg.top + px(p.at.y_m - plan.bounds.y)];
        const by = turnedBy(p.at, [xy[0] - cx, xy[1] - cy]);
        if (!last) return setHand({ id: p.bed.id, x: 0, y: 0, turn: by });
        setHand(null);
        return plan.moveBed(p, { turn_deg: (p.at.turn_deg + by) % 360 });
      }
      const by: Point = [mx / scale, my / scale];
      if (grip === 'corner') {
        const pulled = pulledCorner(p.bed, p.at, index as number, by);
        if (!last) return setHand({ id: p.bed.id, x: 0, y: 0, turn: 0, corners: pulled });
        setHand(null);
        return plan.place(p.bed, reshaped(pulled, p.at), 'on the plan');
      }
      const pulled = pulledSide(p.bed, p.at, grip as Side, by);
      if (!last)
        return setHand({
          id: p.bed.id,
          x: pulled.at.x_m - p.at.x_m,
          y: pulled.at.y_m - p.at.y_m,
          turn: 0,
          corners: cornersOf({ ...pulled, ring: null }),
        });
      setHand(null);
      plan.place(p.bed, pulled, 'on the plan');
    },
    { pointer: { capture: true } },
  );
  const halfW = Math.max(...corners.map((c) => Math.abs(c[0])));
  const sides = [
    ['left', -halfW, 0],
    ['right', halfW, 0],
    ['top', 0, -halfL],
    ['bottom', 0, halfL],
  ] as const;
  return (
    <g transform={`rotate(${turn})`} aria-hidden="true">
      <path d={`M0 ${-px(halfL)}v-22`} stroke="var(--color-walnut)" strokeWidth={1.5} />
      <circle
        {...bind('turn')}
        cy={-px(halfL) - 28}
        r={HANDLE_PX}
        fill="var(--color-paper)"
        stroke="var(--color-walnut)"
        strokeWidth={2}
        style={{ touchAction: 'none', cursor: 'grab' }}
      />
      {(free
        ? corners.slice(0, 60).map((c, i) => ['corner', c[0], c[1], i] as const)
        : sides.map((s) => [...s, 0] as const)
      ).map(([grip, x, y, i]) => (
        <rect
          key={`${grip}${i}`}
          {...bind(grip, i)}
          x={px(x) - HANDLE_PX / 1.4}
          y={px(y) - HANDLE_PX / 1.4}
          width={HANDLE_PX * 1.43}
          height={HANDLE_PX * 1.43}
          fill="var(--color-paper)"
          stroke="var(--color-walnut)"
          strokeWidth={2}
          style={{ touchAction: 'none', cursor: 'move' }}
        />
      ))}
    </g>
  );
}
