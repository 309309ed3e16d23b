import { useDrag } from '@use-gesture/react';
import { cornersOf, type Point, turned } from '../../../core/ground/shape.ts';
import { type PlacedBed, type Plan, rest } from './usePlan.ts';
import { TURN_DEG, type Hand } from './hand.ts';

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
        const angle = (Math.atan2(xy[1] - cy, xy[0] - cx) * 180) / Math.PI + 90;
        const by = Math.round(angle / TURN_DEG) * TURN_DEG - p.at.turn_deg;
        if (!last) return setHand({ id: p.bed.id, x: 0, y: 0, turn: by });
        setHand(null);
        return plan.moveBed(p, { turn_deg: (p.at.turn_deg + by) % 360 });
      }
      // In the bed's own directions.
      const [dx, dy] = turned([mx / scale, my / scale], -p.at.turn_deg);
      if (grip === 'corner') {
        const before = cornersOf(p.bed);
        const pulled = before.map((c, i) => (i === index ? ([c[0] + dx, c[1] + dy] as const) : c));
        if (!last) return setHand({ id: p.bed.id, x: 0, y: 0, turn: 0, corners: pulled });
        setHand(null);
        return plan.place(p.bed, reshaped(p, pulled), 'on the plan');
      }
      const side = grip as 'left' | 'right' | 'top' | 'bottom';
      const across = side === 'left' || side === 'right';
      const sign = side === 'right' || side === 'bottom' ? 1 : -1;
      const [w0, l0] = sizeOf(p);
      const by = (across ? dx : dy) * sign;
      const [w, l] = [
        Math.max(0.2, rest(w0 + (across ? by : 0))),
        Math.max(0.2, rest(l0 + (across ? 0 : by))),
      ];
      // The side across from the hand stays where it is.
      const shift: Point = across ? [((w - w0) / 2) * sign, 0] : [0, ((l - l0) / 2) * sign];
      const [sx, sy] = turned(shift, p.at.turn_deg);
      if (!last)
        return setHand({
          id: p.bed.id,
          x: sx,
          y: sy,
          turn: 0,
          corners: cornersOf({ width_m: w, length_m: l, area_m2: w * l, ring: null }),
        });
      setHand(null);
      plan.place(
        p.bed,
        { width_m: w, length_m: l, area_m2: w * l, at: { ...p.at, x_m: p.at.x_m + sx, y_m: p.at.y_m + sy } },
        'on the plan',
      );
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

const sizeOf = (p: PlacedBed): [number, number] => {
  const side = Math.sqrt(p.bed.area_m2);
  return [p.bed.width_m ?? side, p.bed.length_m ?? side];
};

/** A bed of these corners: its middle may have moved with them. */
export function reshaped(p: PlacedBed, corners: readonly Point[]) {
  const xs = corners.map((c) => c[0]);
  const ys = corners.map((c) => c[1]);
  const middle: Point = [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2];
  const [sx, sy] = turned(middle, p.at.turn_deg);
  let twice = 0;
  corners.forEach(([x1, y1], i) => {
    const [x2, y2] = corners[(i + 1) % corners.length]!;
    twice += x1 * y2 - x2 * y1;
  });
  return {
    ring: corners.map(([x, y]) => [rest(x - Math.min(...xs)), rest(y - Math.min(...ys))] as [number, number]),
    width_m: null,
    length_m: null,
    area_m2: Math.max(0.05, Math.abs(twice) / 2),
    at: { ...p.at, x_m: p.at.x_m + sx, y_m: p.at.y_m + sy },
  };
}
