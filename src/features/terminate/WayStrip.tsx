import { type PointerEvent as ReactPointerEvent, useId, useState } from 'react';
import { speciesOf } from '../../catalogue/catalogue.ts';
import { type Day } from '../../core/calendar/day.ts';
import { type EndingAnswer } from '../../core/plan/answers.ts';
import { type MethodHere, type MethodParts, takeApart } from '../../core/termination/method.ts';
import { showDay } from '../../ui/dates.ts';
import { PASS_WORDS } from '../../ui/methodWords.ts';
import { Woven, WeaveDefs } from '../../ui/Weave.tsx';
import { type Scale } from '../../ui/downward.ts';

/** Days of the passes: of the first, and of each later one from it; null for what waits until the stand is dead. */
export interface Held {
  startDay: Day;
  after_d: (number | null)[];
}

interface Props {
  method: MethodHere;
  name: string;
  ending: EndingAnswer;
  parts: { speciesId: string; share: number }[];
  scale: Scale;
  plantDay: Day;
  /** Day on which frost or heat ends the stand before any hand does; Infinity where they are not relied on. */
  dies: Day;
  /** Passes begin no earlier. */
  least: Day;
  move(held: Held): void;
}

export const WAY_PX = 112;
const KNOT = 9;
/** Big enough for a finger tip. */
const HANDLE_PX = 26;

const ANIMALS = new Set(['hens', 'pigs', 'graze']);
const title = (kind: string): string => PASS_WORDS[kind]?.title ?? kind;

/** One way of ending as a strip: woven until its first pass, knots at the passes, what lies on it or walks on it, residue until planting. */
export function WayStrip({ method, name, ending, parts, scale, plantDay, dies, least, move }: Props) {
  const held = heldOf(method, ending);
  const knots = knotsOf(method, ending, plantDay);
  const first = knots[0]?.day ?? ending.startDay;
  // A pass that follows the day after hangs with the one before: a finger could not tell them apart.
  const handles: Knot[] = [];
  for (const k of knots)
    if (k.movable && !handles.some((h) => Math.abs(scale.y(h.day) - scale.y(k.day)) < HANDLE_PX))
      handles.push(k);
  const moved = (k: Knot, day: Day): Held =>
    k.index === 0
      ? { ...held, startDay: day }
      : {
          ...held,
          after_d: held.after_d.map((a, i) =>
            i >= k.index && a !== null ? Math.max(0, a + day - k.day) : a,
          ),
        };
  return (
    <div className="relative" style={{ width: WAY_PX, height: scale.height + 2 }}>
      <Picture
        method={method}
        ending={ending}
        parts={parts}
        scale={scale}
        plantDay={plantDay}
        dies={dies}
        knots={knots}
      />
      {handles.map((k) => (
        <KnotHandle
          key={k.index}
          label={`${title(k.kind)}, ${name.toLowerCase()}`}
          day={k.day}
          least={k.index === 0 ? least : first}
          most={plantDay - 1}
          scale={scale}
          move={(day) => move(moved(k, day))}
        />
      ))}
    </div>
  );
}

type Drawn = Pick<Props, 'method' | 'ending' | 'parts' | 'scale' | 'plantDay' | 'dies'> & { knots: Knot[] };

/** The strip without its handles: what stands, what lies, animals on it, when it can be begun, and its knots. */
function Picture({ method, ending, parts, scale, plantDay, dies, knots }: Drawn) {
  const prefix = `w${useId().replace(/\W/g, '')}`;
  const course = takeApart(method);
  const y = scale.y;
  const byHand = Math.min(dies, ending.startDay);
  const end = !course.waits ? byHand : Number.isFinite(ending.dead.mid) ? ending.dead.mid : plantDay;
  const killed = dies < ending.startDay ? dies : ending.dead.mid;
  const within = (d: number) => (Number.isFinite(d) ? Math.min(plantDay, d) : plantDay);
  const bands = parts.map((p) => ({ motif: speciesOf(p.speciesId).role, share: p.share }));
  const woven = { prefix, x: 0, width: WAY_PX, bands };
  const ground = { prefix, y, end, dead: within(killed), course };
  return (
    <svg width={WAY_PX} height={scale.height + 2} aria-hidden="true" className="block">
      <WeaveDefs prefix={prefix} />
      <GroundDefs prefix={prefix} />
      <rect width={WAY_PX} height={scale.height} fill={`url(#${prefix}-warp)`} />
      <Woven {...woven} y={0} height={y(end)} />
      {course.keeps ? (
        <Woven {...woven} y={y(end)} height={scale.height - y(end)} faint />
      ) : (
        <Afterwards {...ground} bottom={scale.height} bands={bands} />
      )}
      {course.covering !== null && (
        <Sheet
          {...ground}
          lies={knots.find((k) => /^lay-/.test(k.kind))?.day ?? knots[0]?.day ?? ending.startDay}
          deadLate={within(ending.dead.high)}
        />
      )}
      {method.passes
        .filter((p) => ANIMALS.has(p.kind))
        .map((p, i) => {
          const on = ending.startDay + (p.after_d ?? 0);
          return (
            <rect
              key={i}
              y={y(on)}
              width={WAY_PX}
              height={Math.max(0, y(on + (p.lasts_d ?? 7)) - y(on))}
              fill={`url(#${prefix}-pen)`}
            />
          );
        })}
      <Window ending={ending} waits={course.waits !== null} scale={scale} plantDay={plantDay} />
      {knots.map((k) => (
        <g key={k.index}>
          <path d={`M0 ${y(k.day)}H${WAY_PX}`} stroke="var(--color-walnut)" strokeWidth={2} />
          <path
            d={`M${WAY_PX / 2} ${y(k.day) - KNOT}l${KNOT} ${KNOT}l-${KNOT} ${KNOT}l-${KNOT} -${KNOT}z`}
            fill="var(--color-paper)"
            stroke="var(--color-walnut)"
            strokeWidth={2}
          />
        </g>
      ))}
      <path d={`M0 ${y(plantDay)}H${WAY_PX}`} stroke="var(--color-walnut)" strokeWidth={3} />
    </svg>
  );
}

/** Patterns of ground with animals on it, and of ground that was turned. */
function GroundDefs({ prefix }: { prefix: string }) {
  return (
    <defs>
      <pattern id={`${prefix}-pen`} width={12} height={12} patternUnits="userSpaceOnUse">
        <rect width={12} height={12} fill="#f1dfd6" />
        <path d="M0 0L12 12M12 0L0 12" stroke="var(--color-madder)" strokeWidth={1.6} />
      </pattern>
      <pattern id={`${prefix}-turned`} width={10} height={8} patternUnits="userSpaceOnUse">
        <rect width={10} height={8} fill="#c9a97f" />
        <path d="M0 6q2.5 -4 5 0t5 0" stroke="#7a5a3a" strokeWidth={1.4} fill="none" />
      </pattern>
    </defs>
  );
}

interface OnGround {
  prefix: string;
  y(day: Day): number;
  /** Days on which it stops standing, and on which it is dead. */
  end: Day;
  dead: Day;
  course: MethodParts;
}

/** Shares of the tops that are hardly anything. */
const HARDLY = 0.2;

/** What lies there after the first pass; until it is dead it still shows green. */
function Afterwards({
  prefix,
  y,
  end,
  dead,
  course,
  bottom,
  bands,
}: OnGround & { bottom: number; bands: Parameters<typeof Woven>[0]['bands'] }) {
  const left = course.digs ? 'turned' : course.stays < HARDLY ? 'warp' : 'residue';
  const dying = Math.max(0, y(dead) - y(end));
  return (
    <>
      <rect y={y(end)} width={WAY_PX} height={bottom - y(end)} fill={`url(#${prefix}-${left})`} />
      {course.covering === null && course.waits === null && (
        <g opacity={0.5}>
          <Woven
            prefix={prefix}
            x={0}
            y={y(end)}
            width={WAY_PX}
            height={dying}
            bands={bands}
            coverAt={(at) => 0.55 - (0.5 * (at - y(end))) / Math.max(1, dying)}
          />
        </g>
      )}
    </>
  );
}

/** What was laid over it, until it is dead in the middle year; fainter until it is in a late one. */
function Sheet({ prefix, y, dead, lies, deadLate }: OnGround & { lies: Day; deadLate: Day }) {
  const fill = `url(#${prefix}-sheet)`;
  return (
    <>
      <rect y={y(lies)} width={WAY_PX} height={Math.max(0, y(dead) - y(lies))} fill={fill} />
      <rect
        y={y(dead)}
        width={WAY_PX}
        height={Math.max(0, y(deadLate) - y(dead))}
        fill={fill}
        opacity={0.45}
      />
    </>
  );
}

/** When it can be begun; for what waits for the weather, when that comes. */
function Window({
  ending: { windowDays, dead },
  waits,
  scale,
  plantDay,
}: Pick<Props, 'ending' | 'scale' | 'plantDay'> & { waits: boolean }) {
  const [from, to] = waits
    ? [dead.low, Math.min(plantDay, dead.high)]
    : [Math.max(scale.from, windowDays[0]), windowDays[1]];
  if (!Number.isFinite(from) || (!waits && windowDays[1] <= windowDays[0])) return null;
  return <path d={`M3 ${scale.y(from)}V${scale.y(to)}`} stroke="var(--color-madder)" strokeWidth={5} />;
}

export const heldOf = (method: MethodHere, ending: EndingAnswer): Held => ({
  startDay: ending.startDay,
  after_d: method.passes.map((p) => p.after_d),
});

interface Knot {
  index: number;
  kind: string;
  day: Day;
  movable: boolean;
}

/** Where the passes of a way hang. What falls on the day of another pass hangs with it. */
export function knotsOf(method: MethodHere, ending: EndingAnswer, plantDay: Day): Knot[] {
  const waits = takeApart(method).waits !== null;
  const knots: Knot[] = [];
  method.passes.forEach((p, index) => {
    const lifted = Number.isFinite(ending.dead.high) ? Math.ceil(ending.dead.high) : plantDay;
    const day = p.after_d === null ? Math.min(plantDay, lifted) : ending.startDay + p.after_d;
    if (knots.some((k) => k.day === day)) return;
    knots.push({ index, kind: p.kind, day, movable: !waits && p.after_d !== null });
  });
  return knots;
}

function KnotHandle({
  label,
  day,
  least,
  most,
  scale,
  move,
}: {
  label: string;
  day: Day;
  least: Day;
  most: Day;
  scale: Scale;
  move(day: Day): void;
}) {
  const [grip, setGrip] = useState<{ y: number; day: Day } | null>(null);
  const clamp = (d: number) => Math.max(least, Math.min(most, Math.round(d)));
  const grab = (e: ReactPointerEvent<HTMLDivElement>) => {
    e.currentTarget.setPointerCapture(e.pointerId);
    setGrip({ y: e.clientY, day });
  };
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-orientation="vertical"
      aria-label={label}
      aria-valuemin={least}
      aria-valuemax={most}
      aria-valuenow={day}
      aria-valuetext={showDay(day)}
      className="absolute inset-x-0 cursor-ns-resize touch-none"
      style={{ top: scale.y(day) - HANDLE_PX / 2, height: HANDLE_PX }}
      onPointerDown={grab}
      onPointerMove={(e) => {
        if (!grip) return;
        const to = clamp(grip.day + (e.clientY - grip.y) / scale.perDay);
        if (to !== day) move(to);
      }}
      onPointerUp={() => setGrip(null)}
      onPointerCancel={() => setGrip(null)}
      onKeyDown={(e) => {
        const step = { ArrowDown: 1, ArrowUp: -1, PageDown: 7, PageUp: -7 }[e.key];
        if (!step) return;
        e.preventDefault();
        move(clamp(day + step));
      }}
    >
      {grip && (
        <span className="border-walnut bg-paper absolute -top-7 left-1/2 z-10 -translate-x-1/2 border-2 px-2 text-sm font-bold whitespace-nowrap">
          {showDay(day)}
        </span>
      )}
    </div>
  );
}
