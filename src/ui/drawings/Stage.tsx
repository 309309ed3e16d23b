import { type ReactNode } from 'react';
import { type Stage } from '../../core/stand/species.ts';
import { STAGE_FORMS, type StageForm, type StageFormName } from './stageForms.ts';

type Seen = Exclude<Stage, 'sown'>;

const W = 120;
export const GROUND = 132;
export const MID = W / 2;
/** How far a plant stands up by stage, of its height in flower. */
const UP: Record<Seen, number> = { leafy: 0.5, bud: 0.78, flower: 1, milk: 1, seed: 0.96 };
export const LIVE = {
  stem: '#56743a',
  leaf: 'var(--color-leaf)',
  rib: '#dfe3c3',
  pale: '#c3d39a',
  edge: '#3f5a2a',
};
const RIPE = { stem: '#a9834a', leaf: '#cba864', rib: '#f1e4c6', pale: '#c99a4a', edge: '#6b4a1c' };
const PAPER = 'var(--color-paper)';

/**
 * One stage of a kind of plant. The same code for all: leaf only has nothing above the leaves; buds are pale and closed; open flowers carry the colour; green pods
 * or grains come with a glass; hard seed is straw all over, with dark seed in the glass.
 */
export function StageDrawing({ form, stage }: { form: StageFormName; stage: Seen }) {
  const f = STAGE_FORMS[form];
  const ink = stage === 'seed' ? RIPE : LIVE;
  const top = GROUND - 118 * f.tall * UP[stage];
  return (
    <svg viewBox={`0 0 ${W} 140`} className="h-full w-full" aria-hidden="true">
      <path d={`M14 ${GROUND}H106`} stroke="#b79a6a" strokeWidth={2} />
      {leaves(f, stage, top, ink)}
      {stage !== 'leafy' && organ(f, stage, top, ink)}
      {(stage === 'milk' || stage === 'seed') && <Glass grass={isGrass(f)} stage={stage} />}
    </svg>
  );
}

export type Ink = typeof LIVE;
const isGrass = (f: StageForm): boolean => f.organ === 'ear' || f.organ === 'spike' || f.organ === 'panicle';

/** A leaf blade that arches out from (x, y). */
const arch = (x: number, y: number, out: number, up: number, wide: number): string =>
  `M${x} ${y}C${x + out * 0.3} ${y - up * 0.9} ${x + out * 0.7} ${y - up} ${x + out} ${y - up * 0.55}C${x + out * 0.65} ${y - up * 0.75} ${x + out * 0.35} ${y - up * 0.6 + wide} ${x} ${y + wide}Z`;
/** A blade that stands up from the ground at x and leans out at its tip. */
const upright = (x: number, out: number, up: number, wide: number): string =>
  `M${x - wide / 2} ${GROUND}C${x - wide / 2} ${GROUND - up * 0.5} ${x + out * 0.4} ${GROUND - up * 0.9} ${x + out} ${GROUND - up}C${x + out * 0.35 + (out < 0 ? 1.7 : 1) * wide} ${GROUND - up * 0.7} ${x + wide / 2} ${GROUND - up * 0.4} ${x + wide / 2} ${GROUND}Z`;
/** A pointed egg from (x, y) along (dx, dy). */
function egg(x: number, y: number, dx: number, dy: number, wide: number): string {
  const [nx, ny] = [-dy * wide, dx * wide];
  return `M${x} ${y}C${x + nx + dx * 0.3} ${y + ny + dy * 0.3} ${x + nx * 0.7 + dx * 0.8} ${y + ny * 0.7 + dy * 0.8} ${x + dx} ${y + dy}C${x - nx * 0.7 + dx * 0.8} ${y - ny * 0.7 + dy * 0.8} ${x - nx + dx * 0.3} ${y - ny + dy * 0.3} ${x} ${y}Z`;
}
const SIDES = [-1, 1] as const;
const times = <T,>(n: number, f: (i: number) => T): T[] => Array.from({ length: n }, (_, i) => f(i));

/** What the drawing of leaves goes by: `stem` draws it so wide, `along` puts leaves on it, the lowest first. */
interface LeavesDrawn {
  f: StageForm;
  stage: Seen;
  top: number;
  ink: Ink;
  leafy: boolean;
  high: number;
  stem(wide: number): ReactNode;
  along(n: number, draw: (y: number, side: 1 | -1, i: number) => ReactNode): ReactNode[];
}

function leavesBlade({ f, ink, leafy, high, stem, along }: LeavesDrawn): ReactNode {
  const wide = f.leaf === 'broad' ? 9 : f.leaf === 'blade' ? 5 : 3;
  if (leafy)
    return times(f.leaf === 'hair' ? 9 : 6, (i) => {
      const n = f.leaf === 'hair' ? 8 : 5;
      const lean = i - n / 2;
      return (
        <path
          key={i}
          d={upright(
            MID + lean * 2.5,
            lean * (f.leaf === 'hair' ? 8 : 11),
            high * (1.15 - Math.abs(lean) / 9),
            wide,
          )}
          fill={ink.leaf}
          stroke={PAPER}
          strokeWidth={0.8}
        />
      );
    });
  return (
    <>
      {stem(f.leaf === 'broad' ? 6 : 3.5)}
      {along(4, (y, side, i) => (
        <path
          key={i}
          d={arch(MID, y, side * (34 + (i % 2) * 6), 24, wide)}
          fill={ink.leaf}
          stroke={PAPER}
          strokeWidth={0.8}
        />
      ))}
    </>
  );
}

function leavesPinnate({ ink, leafy, stem, along }: LeavesDrawn): ReactNode {
  return (
    <>
      {stem(3)}
      {along(leafy ? 4 : 5, (y, side, i) => (
        <g key={i}>
          <path
            d={`M${MID} ${y}q${side * 18} -12 ${side * 36} -8q${side * 6} 1 ${side * 5} 6`}
            stroke={ink.stem}
            strokeWidth={1.6}
            fill="none"
          />
          {times(4, (k) =>
            SIDES.map((v) => (
              <path
                key={`${k}${v}`}
                d={egg(MID + side * (9 + k * 7), y - 5 - k * 1.2, side * 4, v * 9, 0.5)}
                fill={ink.leaf}
              />
            )),
          )}
        </g>
      ))}
    </>
  );
}

function leavesThree({ ink, leafy, stem, along }: LeavesDrawn): ReactNode {
  return (
    <>
      {stem(2.6)}
      {along(leafy ? 4 : 4, (y, side, i) => (
        <g key={i}>
          <path d={`M${MID} ${y + 8}L${MID + side * 24} ${y}`} stroke={ink.stem} strokeWidth={1.8} />
          {[-1.25, 0, 1.25].map((a) => (
            <path
              key={a}
              d={egg(MID + side * 24, y, side * 15 * Math.cos(a), 14 * Math.sin(a) - 2, 0.42)}
              fill={ink.leaf}
              stroke={PAPER}
              strokeWidth={1}
            />
          ))}
        </g>
      ))}
    </>
  );
}

function leavesHand({ ink, stem, along }: LeavesDrawn): ReactNode {
  return (
    <>
      {stem(3.4)}
      {along(4, (y, side, i) => (
        <g key={i}>
          <path d={`M${MID} ${y + 8}L${MID + side * 22} ${y - 2}`} stroke={ink.stem} strokeWidth={1.8} />
          {times(7, (k) => {
            const a = (k / 7) * Math.PI * 2;
            return (
              <path
                key={k}
                d={egg(MID + side * 22, y - 2, 14 * Math.cos(a), 14 * Math.sin(a), 0.2)}
                fill={ink.leaf}
              />
            );
          })}
        </g>
      ))}
    </>
  );
}

function leavesRosette({ ink, leafy, stem, along }: LeavesDrawn): ReactNode {
  return (
    <>
      {!leafy && stem(3.4)}
      {times(leafy ? 7 : 5, (i) => {
        const n = leafy ? 6 : 4;
        const a = Math.PI * (0.08 + (0.84 * i) / n);
        const l = leafy ? 52 : 30;
        return (
          <path
            key={i}
            d={egg(MID, GROUND, -Math.cos(a) * l, -Math.sin(a) * l * 0.8, 0.32)}
            fill={ink.leaf}
            stroke={PAPER}
            strokeWidth={1.2}
          />
        );
      })}
      {!leafy &&
        along(3, (y, side, i) => (
          <path key={i} d={egg(MID, y - 12, side * 20, -10, 0.3)} fill={ink.leaf} stroke={PAPER} />
        ))}
    </>
  );
}

function leavesFern({ ink, stem, along }: LeavesDrawn): ReactNode {
  return (
    <>
      {stem(2.8)}
      {along(4, (y, side, i) => (
        <g key={i} stroke={ink.leaf} strokeWidth={2.4} fill="none" strokeLinecap="round">
          <path d={`M${MID} ${y + 6}L${MID + side * 34} ${y - 8}`} />
          {times(4, (k) => (
            <path
              key={k}
              d={`M${MID + side * (8 + k * 7)} ${y + 3 - k * 3}l${side * 3} -9M${MID + side * (8 + k * 7)} ${y + 3 - k * 3}l${side * 8} 5`}
            />
          ))}
        </g>
      ))}
    </>
  );
}

function leavesNeedle({ top, ink, leafy, high }: LeavesDrawn): ReactNode {
  return (
    <>
      {[-14, 0, 14].map((x) => (
        <path
          key={x}
          d={`M${MID + x * 0.4} ${GROUND}Q${MID + x * 0.7} ${(GROUND + top) / 2} ${MID + x} ${leafy ? top + 20 : top + 6}`}
          stroke={ink.stem}
          strokeWidth={2}
          fill="none"
        />
      ))}
      {[-14, 0, 14].flatMap((x) =>
        times(6, (i) => {
          const y = GROUND - ((high - 24) * (i + 0.7)) / 6;
          const at = MID + x * (0.4 + (0.6 * (i + 0.7)) / 6);
          return <path key={`${x}${i}`} d={egg(at, y, (i % 2 ? 1 : -1) * 11, -8, 0.2)} fill={ink.leaf} />;
        }),
      )}
    </>
  );
}

function leavesPair({ f, ink, stem, along }: LeavesDrawn): ReactNode {
  return (
    <>
      {stem(f.leaf === 'pair' ? 5 : 3.4)}
      {along(f.leaf === 'single' ? 7 : 5, (y, side, i) => (
        <g key={i}>
          <path
            d={egg(
              MID,
              y,
              side * (f.leaf === 'single' ? 30 : 32),
              -13,
              f.leaf === 'single' ? 0.2 : f.leaf === 'heart' ? 0.5 : 0.34,
            )}
            fill={ink.leaf}
            stroke={PAPER}
            strokeWidth={1.2}
          />
          {f.leaf === 'pair' && (
            <path
              d={egg(MID + side * 4, y + 2, side * 24, 9, 0.36)}
              fill={ink.leaf}
              stroke={PAPER}
              strokeWidth={1.2}
            />
          )}
        </g>
      ))}
    </>
  );
}

const LEAVES: Record<StageForm['leaf'], (drawn: LeavesDrawn) => ReactNode> = {
  blade: leavesBlade,
  hair: leavesBlade,
  broad: leavesBlade,
  pinnate: leavesPinnate,
  three: leavesThree,
  hand: leavesHand,
  rosette: leavesRosette,
  fern: leavesFern,
  needle: leavesNeedle,
  pair: leavesPair,
  heart: leavesPair,
  single: leavesPair,
};

/** The leaves of a kind at a stage; `top` is where its stem ends. */
export function leaves(f: StageForm, stage: Seen, top: number, ink: Ink): ReactNode {
  const leafy = stage === 'leafy';
  const high = GROUND - top;
  const stem = (wide: number) => (
    <path
      d={`M${MID} ${GROUND}V${leafy ? top + high * 0.35 : top}`}
      stroke={ink.stem}
      strokeWidth={wide}
      fill="none"
    />
  );
  const along = (n: number, draw: (y: number, side: 1 | -1, i: number) => ReactNode) =>
    times(n, (i) => draw(GROUND - (high * (leafy ? 0.75 : 0.68) * (i + 0.85)) / n, SIDES[i % 2]!, i));
  return LEAVES[f.leaf]({ f, stage, top, ink, leafy, high, stem, along });
}

/** Places of flowers or pods along the upper stem, the lowest first. */
const places = (top: number, n: number): { x: number; y: number; side: 1 | -1 }[] =>
  times(n, (i) => ({ side: SIDES[i % 2]!, x: MID + SIDES[i % 2]! * 13, y: top + 44 - (i * 46) / n }));

/** What the drawing of a flower or its fruit goes by. */
interface OrganDrawn {
  f: StageForm;
  stage: Seen;
  top: number;
  ink: Ink;
  bud: boolean;
  open: boolean;
  pale: string;
}

function organEar({ f, top, ink, bud, open, pale }: OrganDrawn): ReactNode {
  if (bud)
    return (
      <>
        <path
          d={`M${MID - 5} ${top + 40}Q${MID - 10} ${top + 16} ${MID} ${top - 4}Q${MID + 10} ${top + 16} ${MID + 5} ${top + 40}Z`}
          fill={LIVE.pale}
          stroke={LIVE.edge}
          strokeWidth={1.6}
        />
        <path d={arch(MID, top + 14, 34, 20, 5)} fill={LIVE.leaf} stroke={PAPER} />
      </>
    );
  const rows = f.organ === 'panicle' ? 6 : 7;
  const wide = f.organ === 'panicle' ? 15 : f.organ === 'spike' ? 6 : 8;
  return (
    <>
      {times(rows, (i) =>
        SIDES.map((s) => {
          const spread = f.organ === 'panicle' ? wide * (1 - Math.abs(i - 2.5) / 5) : wide * 0.6;
          const y = top + 2 + i * (f.organ === 'spike' ? 7.5 : 6);
          return (
            <g key={`${i}${s}`}>
              {f.organ === 'ear' && (
                <path d={`M${MID + s * 4} ${y}l${s * 9} -16`} stroke={ink.edge} strokeWidth={0.9} />
              )}
              <path
                d={egg(MID + s * 1.5, y + 6, s * spread, -9, 0.45)}
                fill={pale}
                stroke={ink.edge}
                strokeWidth={1.2}
              />
            </g>
          );
        }),
      )}
      {open &&
        times(6, (i) => (
          <g key={i}>
            <path d={`M${MID + SIDES[i % 2]! * 9} ${top + 6 + i * 6}v7`} stroke="#8a6a12" strokeWidth={1} />
            <ellipse
              cx={MID + SIDES[i % 2]! * 9}
              cy={top + 15 + i * 6}
              rx={2.6}
              ry={4.2}
              fill={f.petal}
              stroke="#7a5310"
              strokeWidth={0.8}
            />
          </g>
        ))}
    </>
  );
}

function organComb({ f, stage, top, ink, bud }: OrganDrawn): ReactNode {
  return places(top, 4).map(({ x, y, side }, i) => (
    <g key={i}>
      <path
        d={`M${MID} ${y + 8}Q${x} ${y} ${x + side * 8} ${y - 14}`}
        stroke={ink.stem}
        strokeWidth={1.6}
        fill="none"
      />
      {(stage === 'milk' || stage === 'seed') && (i < 3 || stage === 'seed')
        ? times(2, (k) => (
            <path
              key={k}
              d={egg(x + side * (2 + k * 5), y - 4 - k * 7, side * 20, 8, 0.24)}
              fill={stage === 'seed' ? '#5a3d20' : '#8fae5c'}
              stroke={ink.edge}
            />
          ))
        : times(5, (k) => (
            <path
              key={k}
              d={egg(x + side * (k * 1.6), y - k * 4, side * (bud ? 6 : 11), bud ? -2 : 4, 0.32)}
              fill={bud ? LIVE.pale : f.petal}
              stroke={bud ? LIVE.edge : PAPER}
              strokeWidth={0.9}
            />
          ))}
    </g>
  ));
}

function organButterfly({ f, stage, top, ink, bud }: OrganDrawn): ReactNode {
  return places(top, 4).map(({ x, y, side }, i) =>
    stage === 'milk' || stage === 'seed' ? (
      <g key={i}>
        <path
          d={egg(MID + side * 3, y, side * 18, f.organ === 'axil' ? -14 : 18, 0.22)}
          fill={stage === 'seed' ? (f.organ === 'axil' ? '#2f2620' : '#c99a4a') : '#8fae5c'}
          stroke={ink.edge}
          strokeWidth={1.2}
        />
      </g>
    ) : bud ? (
      <path
        key={i}
        d={egg(MID + side * 3, y, side * 9, -9, 0.45)}
        fill={LIVE.pale}
        stroke={LIVE.edge}
        strokeWidth={1.2}
      />
    ) : (
      <g key={i}>
        <path
          d={`M${x} ${y}q-11 -3 -8 -13q8 -4 8 5q0 -9 8 -5q3 10 -8 13z`}
          fill={f.petal}
          stroke="var(--color-walnut)"
          strokeWidth={1.1}
        />
        <ellipse cx={x} cy={y - 3} rx={3.2} ry={4} fill={f.organ === 'axil' ? '#2f2620' : '#6b3550'} />
      </g>
    ),
  );
}

function organCone({ f, stage, top, ink, bud, open }: OrganDrawn): ReactNode {
  const heads =
    f.organ === 'cone'
      ? [[MID, top + 4, 1]]
      : [
          [MID, top + 6, 1],
          [MID - 26, top + 26, 0.8],
          [MID + 27, top + 22, 0.85],
        ];
  return heads.map(([x, y, k]) => {
    const [rx, ry] = f.organ === 'cone' ? [9, 19] : [13 * k!, 12 * k!];
    const fill = bud ? LIVE.pale : open ? f.petal : stage === 'milk' ? f.petal : '#a9834a';
    return (
      <g key={x}>
        {f.organ === 'ball' && (
          <path
            d={`M${MID} ${Math.min(GROUND, y! + 40)}Q${x} ${y! + 22} ${x} ${y! + 8}`}
            stroke={ink.stem}
            strokeWidth={1.8}
            fill="none"
          />
        )}
        <ellipse
          cx={x}
          cy={y! + 8}
          rx={rx}
          ry={ry}
          fill={fill}
          stroke={bud ? LIVE.edge : '#6b4a3c'}
          strokeWidth={1.3}
        />
        {times(4, (r) =>
          times(4, (c) => (
            <path
              key={`${r}${c}`}
              d={`M${x! - rx! + 3 + c * (rx! / 2)} ${y! - ry! + 12 + r * (ry! / 2.1)}l${rx! / 4} ${open ? -5 : 3}`}
              stroke={open ? 'var(--color-walnut)' : '#6b4a3c'}
              strokeWidth={0.9}
            />
          )),
        )}
        {stage === 'milk' && (
          <path
            d={`M${x! - rx!} ${y! + 8}A${rx} ${ry} 0 0 0 ${x! + rx!} ${y! + 8}Z`}
            fill="#a9834a"
            stroke="#6b4a1c"
          />
        )}
      </g>
    );
  });
}

function organTower({ f, stage, top, ink, open }: OrganDrawn): ReactNode {
  return times(6, (i) =>
    SIDES.map((s) => {
      const y = top + 40 - i * 7;
      const done = open ? i < 4 : false;
      const podded = (stage === 'milk' && i < 4) || stage === 'seed';
      return (
        <path
          key={`${i}${s}`}
          d={egg(MID + s * 2, y, s * (podded ? 15 : done ? 12 : 7), podded ? -6 : -6, podded ? 0.3 : 0.45)}
          fill={podded ? (stage === 'seed' ? '#8a6236' : '#8fae5c') : done ? f.petal : LIVE.pale}
          stroke={podded ? ink.edge : done ? 'var(--color-walnut)' : LIVE.edge}
          strokeWidth={1.1}
        />
      );
    }),
  );
}

function organCross({ f, stage, top, ink, bud }: OrganDrawn): ReactNode {
  return [
    [MID, top],
    [MID - 20, top + 18],
    [MID + 20, top + 14],
  ].map(([x, y]) => (
    <g key={x}>
      <path d={`M${MID} ${y! + 26}L${x} ${y! + 6}`} stroke={ink.stem} strokeWidth={2.2} />
      {stage === 'milk' || stage === 'seed'
        ? times(4, (i) => (
            <path
              key={i}
              d={egg(x!, y! + 22 - i * 6, SIDES[i % 2]! * 15, -7, 0.14)}
              fill={stage === 'seed' ? '#c99a4a' : '#8fae5c'}
              stroke={ink.edge}
            />
          ))
        : bud
          ? times(5, (i) => (
              <circle
                key={i}
                cx={x! - 6 + i * 3}
                cy={y! + (i % 2) * 4}
                r={3.6}
                fill={LIVE.pale}
                stroke={LIVE.edge}
              />
            ))
          : times(4, (i) => (
              <g key={i} transform={`translate(${x! - 8 + (i % 2) * 15} ${y! - 3 + Math.floor(i / 2) * 10})`}>
                <path d="M0 -6v12M-6 0h12" stroke={f.petal} strokeWidth={5.4} strokeLinecap="round" />
                <circle r={1.8} fill="#7a5310" />
              </g>
            ))}
    </g>
  ));
}

function organCluster({ stage, top, ink, bud }: OrganDrawn): ReactNode {
  return [
    [MID, top],
    [MID - 22, top + 16],
    [MID + 22, top + 12],
  ].map(([x, y]) => (
    <g key={x}>
      <path
        d={`M${MID} ${y! + 30}L${x} ${y! + 6}`}
        stroke={stage === 'seed' ? RIPE.stem : '#a24a3a'}
        strokeWidth={2.2}
      />
      {times(7, (i) => {
        const [cx, cy] = [x! - 10 + (i % 4) * 7 + (i > 3 ? 3 : 0), y! + (i > 3 ? 7 : 0)];
        return stage === 'milk' || stage === 'seed' ? (
          <path
            key={i}
            d={`M${cx} ${cy - 6}l5 9h-10z`}
            fill={stage === 'seed' ? '#5a3d20' : '#8fae5c'}
            stroke={ink.edge}
          />
        ) : (
          <circle
            key={i}
            cx={cx}
            cy={cy}
            r={bud ? 2.8 : 4.6}
            fill={bud ? '#d58a98' : '#fdf8f4'}
            stroke={bud ? '#8a4460' : '#8a4460'}
            strokeWidth={1.1}
          />
        );
      })}
    </g>
  ));
}

function organCoil({ f, stage, top, ink, bud, open }: OrganDrawn): ReactNode {
  return SIDES.map((s) => (
    <g key={s}>
      <path
        d={
          stage === 'milk' || stage === 'seed'
            ? `M${MID} ${top + 34}Q${MID + s * 10} ${top + 6} ${MID + s * 30} ${top + 2}`
            : `M${MID} ${top + 34}Q${MID + s * 4} ${top} ${MID + s * 22} ${top + 2}q${s * 12} 4 ${s * 4} 13q${s * -8} 3 ${s * -8} -5`
        }
        stroke={ink.stem}
        strokeWidth={2.6}
        fill="none"
      />
      {times(6, (i) => {
        const [x, y] = [MID + s * (5 + i * 4.6), top + 20 - i * 4.2];
        return (
          <circle
            key={i}
            cx={x}
            cy={y - (open ? 4 : 1)}
            r={bud ? 2.6 : open ? 5.2 : 3.4}
            fill={bud ? LIVE.pale : open ? f.petal : stage === 'seed' ? '#7a5a30' : '#8fae5c'}
            stroke={open ? '#4a3f78' : ink.edge}
            strokeWidth={1}
          />
        );
      })}
    </g>
  ));
}

function organBowl({ f, stage, top, ink, bud, open }: OrganDrawn): ReactNode {
  return [-14, 0, 14].map((dx) => {
    const [x, y] = [MID + dx, top + Math.abs(dx) * 0.4];
    if (bud)
      return (
        <path
          key={dx}
          d={egg(x, y + 8, dx * 0.2, -13, 0.4)}
          fill={LIVE.pale}
          stroke={LIVE.edge}
          strokeWidth={1.2}
        />
      );
    if (open)
      return (
        <g key={dx}>
          {times(5, (i) => (
            <path
              key={i}
              d={egg(
                x,
                y + 4,
                10 * Math.cos((i * 72 * Math.PI) / 180),
                -10 * Math.sin((i * 72 * Math.PI) / 180),
                0.45,
              )}
              fill={f.petal}
              stroke="var(--color-indigo)"
              strokeWidth={0.8}
            />
          ))}
          <circle cx={x} cy={y + 4} r={2} fill="#d8a12e" />
        </g>
      );
    return (
      <circle
        key={dx}
        cx={x}
        cy={y + 4}
        r={6}
        fill={stage === 'seed' ? '#b3813a' : '#8fae5c'}
        stroke={ink.edge}
        strokeWidth={1.3}
      />
    );
  });
}

function organSun({ f, stage, top, ink, bud, open }: OrganDrawn): ReactNode {
  return (
    <g transform={`translate(${MID} ${top + 8})`}>
      {!bud &&
        stage !== 'seed' &&
        times(14, (i) => (
          <path
            key={i}
            d={egg(
              0,
              0,
              24 * Math.cos((i * Math.PI) / 7),
              24 * Math.sin((i * Math.PI) / 7) + (stage === 'milk' ? 5 : 0),
              0.16,
            )}
            fill={open ? f.petal : '#c9a25a'}
            stroke="#7a5310"
            strokeWidth={0.7}
          />
        ))}
      {bud &&
        times(10, (i) => (
          <path
            key={i}
            d={egg(0, 0, 16 * Math.cos((i * Math.PI) / 5), 16 * Math.sin((i * Math.PI) / 5), 0.24)}
            fill={LIVE.leaf}
          />
        ))}
      <circle
        r={bud ? 8 : 12}
        fill={bud ? LIVE.pale : stage === 'seed' ? '#6b4a1c' : '#8a6a2a'}
        stroke={ink.edge}
        strokeWidth={1.3}
      />
      {stage === 'seed' &&
        times(8, (i) => (
          <circle key={i} cx={7 * Math.cos(i)} cy={7 * Math.sin(i * 1.7)} r={1.6} fill="#2f2620" />
        ))}
    </g>
  );
}

const ORGANS: Record<StageForm['organ'], (drawn: OrganDrawn) => ReactNode> = {
  ear: organEar,
  spike: organEar,
  panicle: organEar,
  comb: organComb,
  butterfly: organButterfly,
  axil: organButterfly,
  cone: organCone,
  ball: organCone,
  tower: organTower,
  cross: organCross,
  cluster: organCluster,
  coil: organCoil,
  bowl: organBowl,
  sun: organSun,
};

function organ(f: StageForm, stage: Seen, top: number, ink: Ink): ReactNode {
  const bud = stage === 'bud';
  const pale = bud ? LIVE.pale : stage === 'milk' ? '#8fae5c' : ink.pale;
  return ORGANS[f.organ]({ f, stage, top, ink, bud, open: stage === 'flower', pale });
}

/** A glass over what the hand finds: a drop of milk or an opened pod; three hard seeds. */
function Glass({ grass, stage }: { grass: boolean; stage: 'milk' | 'seed' }) {
  return (
    <g transform="translate(100 116)">
      <circle r={16} fill={PAPER} stroke="var(--color-walnut)" strokeWidth={2} />
      {stage === 'milk' ? (
        grass ? (
          <>
            <path d={egg(0, 4, 0, -14, 0.42)} fill="#c3d39a" stroke="#3f5a2a" strokeWidth={1.4} />
            <path d="M0 5q5 6 0 8q-5 -2 0 -8" fill="#fff" stroke="var(--color-walnut)" strokeWidth={1} />
          </>
        ) : (
          <>
            <path d={egg(-10, 7, 20, -14, 0.3)} fill="#8fae5c" stroke="#3f5a2a" strokeWidth={1.4} />
            {times(3, (i) => (
              <circle
                key={i}
                cx={-5 + i * 5}
                cy={4 - i * 3.5}
                r={2.1}
                fill="#dfe3c3"
                stroke="#3f5a2a"
                strokeWidth={0.8}
              />
            ))}
          </>
        )
      ) : (
        [
          [-6, 2],
          [5, 4],
          [0, -6],
        ].map(([x, y]) => (
          <ellipse
            key={x}
            cx={x}
            cy={y}
            rx={4.4}
            ry={3.8}
            fill={grass ? '#b3813a' : '#3a2c22'}
            stroke="#2f2620"
          />
        ))
      )}
    </g>
  );
}
