import { GROUND, leaves, LIVE, MID, type Ink } from './Stage.tsx';
import { STAGE_FORMS, type StageForm, type StageFormName } from './stageForms.ts';

/** How a plant stands after cold: what looks dead need not be. */
export type Condition = 'fresh' | 'scorched' | 'asleep' | 'dead';
export const CONDITIONS: readonly Condition[] = ['fresh', 'scorched', 'asleep', 'dead'];

const TAN: Ink = { stem: '#a98a5c', leaf: '#cdb07c', rib: '#efe2c4', pale: '#cdb07c', edge: '#7a5a30' };
const DARK: Ink = { stem: '#6d4453', leaf: '#5c5560', rib: '#8b7b88', pale: '#7c6b74', edge: '#3c2a34' };
const GREY: Ink = { stem: '#94866f', leaf: '#b7aa93', rib: '#d8cfbe', pale: '#b7aa93', edge: '#6d604c' };

/** The cut crown under the glass: white or green inside lives, brown and hollow is dead. */
const INSIDE: Record<Condition, { flesh: string; heart: string }> = {
  fresh: { flesh: '#f4f1dc', heart: '#7f9d57' },
  scorched: { flesh: '#f4f1dc', heart: '#8fae5c' },
  asleep: { flesh: '#f4f1dc', heart: '#d9dcb4' },
  dead: { flesh: '#8a6236', heart: 'var(--color-walnut)' },
};

const about = (sx: number, sy: number, lean = 0): string =>
  `translate(${MID} ${GROUND}) skewX(${lean}) scale(${sx} ${sy}) translate(${-MID} ${-GROUND})`;

/**
 * One kind of plant after cold, by the same code for all: fresh it stands green; scorched its outer leaves are tan and its heart is green; asleep it lies flat and
 * dark; dead it is grey all through. The glass shows what a cut finds.
 */
export function ConditionDrawing({ form, condition }: { form: StageFormName; condition: Condition }) {
  const f = STAGE_FORMS[form];
  const top = GROUND - 118 * f.tall * 0.55;
  const { flesh, heart } = INSIDE[condition];
  return (
    <svg viewBox="8 44 106 94" className="h-full w-full" aria-hidden="true">
      <path d={`M14 ${GROUND}H106`} stroke="#b79a6a" strokeWidth={2} />
      {condition === 'fresh' && leaves(f, 'leafy', top, LIVE)}
      {condition === 'scorched' && (
        <>
          <g transform={about(1.05, 0.85, 8)}>{leaves(f, 'leafy', top, TAN)}</g>
          <g transform={about(0.55, 0.6)}>{leaves(f, 'leafy', top, LIVE)}</g>
        </>
      )}
      {condition === 'asleep' && <g transform={about(1.05, 0.4)}>{leaves(f, 'leafy', top, DARK)}</g>}
      {condition === 'dead' && <g transform={about(1, 0.6, -24)}>{leaves(f, 'leafy', top, GREY)}</g>}
      <circle cx={94} cy={66} r={18} fill="var(--color-paper)" stroke="var(--color-walnut)" strokeWidth={2} />
      <path d="M83 74q0 -17 11 -17q11 0 11 17q-11 7 -22 0z" fill={flesh} stroke="#6b4a1c" strokeWidth={1.4} />
      <ellipse cx={94} cy={70} rx={4.5} ry={6.5} fill={heart} />
    </svg>
  );
}

const GRASSY: ReadonlySet<StageForm['leaf']> = new Set(['blade', 'hair', 'broad']);

type Words = Record<Condition, string>;
const BY_LEAF: [ReadonlySet<StageForm['leaf']>, Words][] = [
  [
    GRASSY,
    {
      fresh: 'green to the tips',
      scorched: 'tan outside, green at its foot: lives',
      asleep: 'flat and dark, foot firm: lives',
      dead: 'straw all through, slides out when tugged',
    },
  ],
  [
    new Set(['pinnate']),
    {
      fresh: 'green vine',
      scorched: 'limp above, low joints green: lives',
      asleep: 'short reddish shoots on the soil: lives',
      dead: 'brown string, dry to the middle at the soil',
    },
  ],
  [
    new Set(['three']),
    {
      fresh: 'green leaf',
      scorched: 'papery leaf, green crown buds: lives',
      asleep: 'tight, small, dark or red: lives',
      dead: 'crown brown, runner flat',
    },
  ],
  [
    new Set(['rosette']),
    {
      fresh: 'green leaf',
      scorched: 'glassy or white outside, firm heart: lives',
      asleep: 'flat, purple rims, up again by noon: lives',
      dead: 'slime, smell, an empty shell of root',
    },
  ],
];
const OTHERS: Words = {
  fresh: 'green leaf',
  scorched: 'spoilt tips, green inside low down: lives',
  asleep: 'short, dark, leaning, firm: lives',
  dead: 'hollow and dry to the soil',
};

/** What the eye and the hand find, by the kind of leaf. */
export const conditionWords = (form: StageFormName): Words =>
  BY_LEAF.find(([leaves]) => leaves.has(STAGE_FORMS[form].leaf))?.[1] ?? OTHERS;

/** Kernels between two nails. */
export type Squeeze = 'milk' | 'paste' | 'hard';

/** What a squeezed kernel or an opened pod shows: a white drop, a smear, or no mark at all. */
export function SqueezeDrawing({ shows }: { shows: Squeeze }) {
  const nail = (side: 1 | -1) => (
    <path
      d={`M60 66l${side * 22} -17q${side * 20} -8 ${side * 26} 12q${side * 2} 20 ${side * -22} 17z`}
      fill="#e8c9ac"
      stroke="#7a5a44"
      strokeWidth={1.6}
    />
  );
  const kernel = shows === 'hard' ? '#c08a3e' : shows === 'paste' ? '#c9b964' : '#8fae5c';
  return (
    <svg viewBox="0 0 120 110" className="h-full w-full" aria-hidden="true">
      {nail(1)}
      {nail(-1)}
      <path
        d="M60 30q15 18 0 52q-15 -34 0 -52z"
        fill={kernel}
        stroke={shows === 'hard' ? '#6b4a1c' : '#4d6234'}
        strokeWidth={2}
      />
      {shows === 'milk' && (
        <path d="M60 82q-13 16 0 22q13 -6 0 -22z" fill="#fff" stroke="var(--color-bark)" strokeWidth={1.8} />
      )}
      {shows === 'paste' && (
        <path
          d="M50 84q10 -7 20 0q8 8 -2 12q-16 4 -22 -3q-2 -6 4 -9z"
          fill="#f0e2b8"
          stroke="#8a6a2a"
          strokeWidth={1.8}
        />
      )}
      {shows === 'hard' && <path d="M55 54h10" stroke="#6b4a1c" strokeWidth={2} />}
    </svg>
  );
}
