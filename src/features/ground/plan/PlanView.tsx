import { useDrag } from '@use-gesture/react';
import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import { footOf, shadowOf, type Sky } from '../../../core/ground/shade.ts';
import { boxOf, cornersOf, type Point, turned } from '../../../core/ground/shape.ts';
import { InBed } from './InBed.tsx';
import type { Mark } from '../../../records/types.ts';
import { WeaveDefs, Woven } from '../../../ui/Weave.tsx';
import { type PlacedBed, type Plan, rest } from './usePlan.ts';

const PREFIX = 'plan';
const MOST_PX_A_M = 64;
/** The whole plan is seen at once on a usual screen, px. */
const MOST_HIGH_PX = 620;
/** Nudges with keys, m; with Shift, m; turns, degrees. */
const NUDGE_M = 0.1;
const STRIDE_M = 1;
const TURN_DEG = 5;
const HANDLE_PX = 9;

interface Props {
  plan: Plan;
  sky: Sky;
  /** Day of the year and hour of the sun whose shadows are drawn; null for none. */
  at: { doy: number; hour: number } | null;
  walk: boolean;
  zoom: number;
}

/** Where a hand has something just now, m and degrees from where it lies. */
interface Hand {
  id: string;
  x: number;
  y: number;
  turn: number;
  /** Corners about the middle while the shape is being pulled. */
  corners?: Point[];
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

/** One bed where it lies, woven of what stands on it; chosen, it has handles. */
function OneBed({
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
function Label({ text, small }: { text: string; small?: boolean }) {
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

const MARK_FILL: Record<Mark['kind'], string> = {
  path: '#dcc9a4',
  shed: '#b9a888',
  water: '#9db6cf',
  tree: '#a9bb8a',
  hedge: '#8ea56b',
  wall: '#a89a88',
  other: '#d4c3a6',
};

function PlanMark({
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

/** Grips of the chosen bed: its sides, or its corners where it is no rectangle, and one to turn it by. */
function Handles({
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
