import { rest } from '../../../core/ground/pull.ts';
import { useDrag } from '@use-gesture/react';
import { type KeyboardEvent, useState } from 'react';
import { type Point, turned } from '../../../core/ground/shape.ts';
import { movedTo, type Spot, spotsOf, within } from '../../../core/ground/spots.ts';
import { type PlacedBed, type Plan } from './usePlan.ts';

const NUDGE_M = 0.05;
const STRIDE_M = 0.5;
const LEAST_PX = 5;

interface Props {
  plan: Plan;
  bed: PlacedBed;
  px(m: number): number;
  /** Pixels a metre. */
  scale: number;
  /** Its bed is chosen: what stands in it can be moved. */
  movable: boolean;
}

/** What stands in a bed and wants no seed, where it stands; dragged, or moved with the arrow keys, once its bed is chosen. */
export function InBed({ plan, bed: { bed, at }, px, scale, movable }: Props) {
  const [hand, setHand] = useState<{ of: number; nth: number; by: Point } | null>(null);
  const spots = spotsOf(bed, bed.obstacles);
  const put = (s: Spot, by: Point, joins = false) => {
    const to = within(bed, [rest(s.at[0] + by[0]), rest(s.at[1] + by[1])]);
    plan.placeThing(bed, s.of, movedTo(spots, s.of, s.nth, to), joins);
  };
  const drag = useDrag(
    ({ args: [i], movement, last, tap, event }) => {
      event.stopPropagation();
      const s = spots[i as number]!;
      // The hand moves on the screen, the thing in its turned bed.
      const [x, y] = turned([movement[0] / scale, movement[1] / scale], -at.turn_deg);
      if (!last) return setHand({ of: s.of, nth: s.nth, by: [x, y] });
      setHand(null);
      if (!tap) put(s, [x, y]);
    },
    { filterTaps: true, pointer: { capture: true } },
  );
  const keys = (e: KeyboardEvent, s: Spot) => {
    const by = e.shiftKey ? STRIDE_M : NUDGE_M;
    const arrow: Record<string, Point> = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, -by],
      ArrowDown: [0, by],
    };
    const to = arrow[e.key];
    if (!to) return;
    e.preventDefault();
    e.stopPropagation();
    put(s, turned(to, -at.turn_deg), true);
  };
  return (
    <g transform={`rotate(${at.turn_deg})`}>
      {spots.map((s, i) => {
        const held = hand?.of === s.of && hand.nth === s.nth ? hand.by : [0, 0];
        const w = Math.max(LEAST_PX, px(s.width_m));
        const l = Math.max(LEAST_PX, px(s.length_m ?? s.width_m));
        const { name } = bed.obstacles[s.of]!;
        return (
          <g
            key={`${s.of} ${s.nth}`}
            transform={`translate(${px(s.at[0] + held[0]!)} ${px(s.at[1] + held[1]!)})`}
            fill="var(--color-wool)"
            stroke="var(--color-walnut)"
            strokeWidth={movable ? 2 : 1}
            strokeDasharray={s.guessed ? '3 2' : undefined}
            pointerEvents={movable ? undefined : 'none'}
            {...(movable && {
              ...drag(i),
              tabIndex: 0,
              role: 'button',
              'aria-label': bed.obstacles[s.of]!.count > 1 ? `${name} ${s.nth + 1}` : name,
              style: { touchAction: 'none', cursor: 'grab' },
              onKeyDown: (e: KeyboardEvent) => keys(e, s),
            })}
          >
            {s.length_m === null ? <circle r={w / 2} /> : <rect x={-w / 2} y={-l / 2} width={w} height={l} />}
          </g>
        );
      })}
    </g>
  );
}
