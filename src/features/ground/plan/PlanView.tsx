import { rest, TURN_DEG } from '../../../core/ground/pull.ts';
import { useDrag } from '@use-gesture/react';
import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import { shadowOf, type Sky } from '../../../core/ground/shade.ts';
import { cornersOf, type Point } from '../../../core/ground/shape.ts';
import { WeaveDefs } from '../../../ui/Weave.tsx';
import { type Plan } from './usePlan.ts';
import { PlanMark } from './PlanMark.tsx';
import { OneBed } from './OneBed.tsx';
import { PREFIX, type Hand } from './hand.ts';

const MOST_PX_A_M = 64;

/** The whole plan is seen at once on a usual screen, px. */
const MOST_HIGH_PX = 620;

/** Nudges with keys, m; with Shift, m; turns, degrees. */
const NUDGE_M = 0.1;

const STRIDE_M = 1;

interface Props {
  plan: Plan;
  sky: Sky;
  /** Day of the year and hour of the sun whose shadows are drawn; null for none. */
  at: { doy: number; hour: number } | null;
  walk: boolean;
  zoom: number;
}

/** The garden from above, to scale. What is chosen is dragged, turned and pulled; arrow keys do the same. */
export function PlanView({ plan, sky, at, walk, zoom }: Props) {
  const { bounds, placed, garden, chosen, setChosen } = plan;
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box);
  const [hand, setHand] = useState<Hand | null>(null);
  const scale = Math.min(MOST_PX_A_M, width / bounds.width, MOST_HIGH_PX / bounds.height) * zoom;
  const px = (m: number) => m * scale;
  const X = (x: number) => px(x - bounds.x);
  const Y = (y: number) => px(y - bounds.y);
  const ring = (points: readonly Point[]) => points.map(([x, y]) => `${X(x)},${Y(y)}`).join(' ');
  const { marks } = garden;

  const drag = useDrag(
    ({ args: [what, id], movement: [mx, my], last, tap }) => {
      const is = what as 'bed' | 'mark';
      if (tap) return setChosen({ what: is, id: id as string });
      const by = { x: rest(mx / scale), y: rest(my / scale) };
      if (!last) return setHand({ id: id as string, ...by, turn: 0 });
      setHand(null);
      if (by.x === 0 && by.y === 0) return;
      setChosen({ what: is, id: id as string });
      const bed = placed.find((p) => p.bed.id === id);
      const mark = marks.find((m) => m.id === id);
      if (is === 'bed' && bed)
        plan.moveBed(bed, { x_m: rest(bed.at.x_m + by.x), y_m: rest(bed.at.y_m + by.y) });
      if (is === 'mark' && mark)
        plan.changeMark(mark, { x_m: rest(mark.x_m + by.x), y_m: rest(mark.y_m + by.y) });
    },
    { filterTaps: true, pointer: { capture: true } },
  );
  const keys = (
    e: KeyboardEvent,
    of: { x_m: number; y_m: number; turn_deg: number },
    move: (to: object) => void,
  ) => {
    const by = e.shiftKey ? STRIDE_M : NUDGE_M;
    const to = {
      ArrowLeft: { x_m: rest(of.x_m - by) },
      ArrowRight: { x_m: rest(of.x_m + by) },
      ArrowUp: { y_m: rest(of.y_m - by) },
      ArrowDown: { y_m: rest(of.y_m + by) },
      '[': { turn_deg: (of.turn_deg - TURN_DEG) % 360 },
      ']': { turn_deg: (of.turn_deg + TURN_DEG) % 360 },
    }[e.key];
    if (!to) return;
    e.preventDefault();
    move(to);
  };
  const height = px(bounds.height);
  const ordered = [...placed].sort((a, b) => a.bed.order - b.bed.order);
  const isChosen = (id: string) => chosen?.id === id;
  return (
    <div ref={box} className="border-linen overflow-auto border" tabIndex={-1}>
      <svg
        width={Math.max(1, px(bounds.width))}
        height={height}
        role="group"
        aria-label={`${garden.name} from above, one square is a metre`}
        className="mx-auto block select-none"
        onPointerDown={(e) => e.target === e.currentTarget && setChosen(null)}
      >
        <WeaveDefs prefix={PREFIX} />
        <defs>
          <pattern
            id="plan-metres"
            width={scale}
            height={scale}
            x={X(0)}
            y={Y(0)}
            patternUnits="userSpaceOnUse"
          >
            <path d={`M0 0H${scale}M0 0V${scale}`} stroke="var(--color-linen)" strokeWidth={1} />
          </pattern>
          {placed.map((p) => (
            <clipPath key={p.bed.id} id={`plan-clip-${p.bed.id}`}>
              <polygon
                points={cornersOf(p.bed)
                  .map(([x, y]) => `${px(x)},${px(y)}`)
                  .join(' ')}
              />
            </clipPath>
          ))}
        </defs>
        <rect width="100%" height="100%" fill="url(#plan-metres)" pointerEvents="none" />
        {marks.map((m) => (
          <PlanMark
            key={m.id}
            mark={m}
            chosen={isChosen(m.id)}
            x={X(m.x_m + (hand?.id === m.id ? hand.x : 0))}
            y={Y(m.y_m + (hand?.id === m.id ? hand.y : 0))}
            px={px}
            bind={drag('mark', m.id)}
            choose={() => setChosen({ what: 'mark', id: m.id })}
            onKey={(e) => keys(e, m, (to) => plan.changeMark(m, to, true))}
          />
        ))}
        {placed.map((p) => (
          <OneBed
            key={p.bed.id}
            plan={plan}
            placed={p}
            hand={hand}
            setHand={setHand}
            scale={scale}
            at={[X(p.at.x_m), Y(p.at.y_m)]}
            bind={drag('bed', p.bed.id)}
            onKey={(e) => keys(e, p.at, (to) => plan.moveBed(p, to, true))}
          />
        ))}
        {at &&
          marks.map((m) => {
            const points = shadowOf(m, sky, at.doy, at.hour);
            return points.length > 0 ? (
              <polygon key={m.id} points={ring(points)} fill="#2a2523" opacity={0.28} pointerEvents="none" />
            ) : null;
          })}
        {walk && ordered.length > 1 && (
          <g pointerEvents="none">
            <polyline
              points={ordered.map((p) => `${X(p.at.x_m)},${Y(p.at.y_m)}`).join(' ')}
              fill="none"
              stroke="var(--color-madder)"
              strokeWidth={2}
              strokeDasharray="2 5"
              strokeLinecap="round"
            />
            <circle cx={X(ordered[0]!.at.x_m)} cy={Y(ordered[0]!.at.y_m)} r={4} fill="var(--color-madder)" />
          </g>
        )}
        <g transform={`translate(${px(bounds.width) - 30} 40) rotate(${sky.north_deg})`} aria-hidden="true">
          <path d="M0 18V-16M-7 -8L0 -17L7 -8" stroke="var(--color-walnut)" strokeWidth={2.5} fill="none" />
          <text y={34} textAnchor="middle" fontSize={15} fontWeight={700} fill="var(--color-walnut)">
            N
          </text>
        </g>
      </svg>
      <p id="plan-keys" className="sr-only">
        Arrow keys move it by ten centimetres, with Shift by a metre; square brackets turn it.
      </p>
    </div>
  );
}

function useWidth(of: React.RefObject<HTMLElement | null>): number {
  const [width, setWidth] = useState(800);
  useEffect(() => {
    const el = of.current;
    if (!el) return;
    const look = new ResizeObserver(() => setWidth(el.clientWidth));
    look.observe(el);
    setWidth(el.clientWidth);
    return () => look.disconnect();
  }, [of]);
  return width;
}
