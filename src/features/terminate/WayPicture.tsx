import { useId } from 'react';
import { speciesOf } from '../../catalogue/catalogue.ts';
import { type Day } from '../../core/calendar/day.ts';
import { type MethodParts, takeApart } from '../../core/termination/method.ts';
import { Woven, WeaveDefs } from '../../ui/Weave.tsx';
import { type WayProps, WAY_PX, KNOT, ANIMALS, type Knot } from './wayHeld.ts';

type Drawn = Pick<WayProps, 'method' | 'ending' | 'parts' | 'scale' | 'plantDay' | 'dies'> & {
  knots: Knot[];
};

/** The strip without its handles: what stands, what lies, animals on it, when it can be begun, and its knots. */
export function Picture({ method, ending, parts, scale, plantDay, dies, knots }: Drawn) {
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
}: Pick<WayProps, 'ending' | 'scale' | 'plantDay'> & { waits: boolean }) {
  const [from, to] = waits
    ? [dead.low, Math.min(plantDay, dead.high)]
    : [Math.max(scale.from, windowDays[0]), windowDays[1]];
  if (!Number.isFinite(from) || (!waits && windowDays[1] <= windowDays[0])) return null;
  return <path d={`M3 ${scale.y(from)}V${scale.y(to)}`} stroke="var(--color-madder)" strokeWidth={5} />;
}
