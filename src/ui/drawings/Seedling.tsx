import { type SpeciesPage } from '../../catalogue/schema.ts';

type Look = SpeciesPage['seedling'];

const STEM = '#8a9a5b';
const LEAF = 'var(--color-leaf)';
const EDGE = '#3f5a2a';
const GROUND_Y = 118;

/** Seed leaves, drawn for the right side; the left is its mirror. Origin at the top of the stem. */
const COTYLEDON: Record<Exclude<Look['cotyledon'], 'blade' | 'below'>, string> = {
  heart: 'M0 0C6 -12 20 -20 30 -14C34 -8 26 -6 32 0C26 8 8 8 0 0Z',
  oval: 'M0 0C6 -10 18 -12 26 -6C24 4 8 6 0 0Z',
  thick: 'M0 0C4 -16 24 -20 36 -10C34 6 10 10 0 0Z',
  kidney: 'M0 0C2 -18 26 -26 36 -10C38 4 22 12 14 6C10 4 4 4 0 0Z',
  long: 'M0 0C10 -8 30 -14 44 -14C34 -4 14 4 0 0Z',
};

/** First true leaf, growing up from the origin. */
const LEAF_PATH: Record<Look['leaf'], string> = {
  blade: 'M-3 0C-5 -40 -2 -70 6 -92C6 -60 5 -30 3 0Z',
  lobed:
    'M0 0C-4 -8 -14 -8 -12 -18C-20 -22 -18 -32 -12 -34C-12 -46 -4 -54 0 -58C6 -54 12 -46 12 -34C20 -32 18 -22 12 -18C14 -8 4 -8 0 0Z',
  pinnate:
    'M0 0V-46M0 -16C-8 -22 -18 -20 -22 -14C-16 -8 -6 -10 0 -16M0 -16C8 -22 18 -20 22 -14C16 -8 6 -10 0 -16M0 -32C-8 -38 -16 -36 -20 -30C-14 -26 -6 -26 0 -32M0 -32C8 -38 16 -36 20 -30C14 -26 6 -26 0 -32M0 -46C4 -54 10 -52 8 -46C6 -42 2 -44 4 -48',
  three:
    'M0 0V-34M0 -34C-14 -38 -26 -30 -26 -20C-18 -14 -4 -22 0 -34M0 -34C14 -38 26 -30 26 -20C18 -14 4 -22 0 -34M0 -34C-10 -42 -8 -58 0 -62C8 -58 10 -42 0 -34',
  hand: 'M0 0V-30M0 -30C-12 -28 -24 -30 -30 -24C-22 -18 -10 -22 0 -30M0 -30C12 -28 24 -30 30 -24C22 -18 10 -22 0 -30M0 -30C-8 -38 -20 -48 -22 -56C-12 -54 -4 -44 0 -30M0 -30C8 -38 20 -48 22 -56C12 -54 4 -44 0 -30M0 -30C-4 -44 -2 -58 0 -66C4 -58 4 -44 0 -30',
  single: 'M0 0C-12 -14 -14 -40 0 -62C14 -40 12 -14 0 0Z',
  arrow: 'M0 0V-14L-18 -8C-16 -26 -8 -46 0 -58C8 -46 16 -26 18 -8L0 -14Z',
  fern: 'M0 0V-58M0 -12L-14 -20M0 -12L14 -20M0 -24L-16 -34M0 -24L16 -34M0 -36L-13 -46M0 -36L13 -46M0 -48L-8 -56M0 -48L8 -56',
  needle: 'M0 0V-62M0 -16L-10 -30M0 -16L10 -30M0 -30L-10 -44M0 -30L10 -44M0 -44L-7 -58M0 -44L7 -58',
  pair: 'M0 0V-18M0 -18C-20 -26 -34 -40 -36 -52C-18 -50 -4 -36 0 -18M0 -18C20 -26 34 -40 36 -52C18 -50 4 -36 0 -18',
  tongue: 'M0 0C-14 -10 -22 -34 -12 -52C-2 -50 2 -20 0 0M0 0C14 -10 22 -34 12 -52C2 -50 -2 -20 0 0',
};
const LINES = new Set<Look['leaf']>(['fern', 'needle']);

/** What comes up first, so that it is not hoed out as a weed. */
export function SeedlingDrawing({ look, name, small }: { look: Look; name: string; small?: boolean }) {
  const blade = look.cotyledon === 'blade';
  const below = look.cotyledon === 'below';
  const stemTop = blade ? GROUND_Y : below ? 70 : 84;
  return (
    <figure>
      <svg
        viewBox="0 0 140 150"
        className={small ? 'h-28' : 'h-40'}
        role="img"
        aria-label={`Seedling of ${name}: ${look.text}`}
      >
        <path d={`M10 ${GROUND_Y}H130`} stroke="#8a7460" strokeWidth={2} strokeDasharray="7 3" fill="none" />
        <path
          d={`M70 ${GROUND_Y}C68 130 74 134 70 146M70 124C62 130 58 132 54 140M70 126C78 132 82 134 86 142`}
          stroke="var(--color-warp)"
          strokeWidth={2}
          fill="none"
        />
        {below && <circle cx={70} cy={GROUND_Y + 9} r={6} fill="#a9743c" stroke="var(--color-walnut)" />}
        {!blade && <path d={`M70 ${GROUND_Y}V${stemTop}`} stroke={STEM} strokeWidth={4} />}
        <g transform={`translate(70 ${stemTop})`}>
          <g
            stroke={EDGE}
            strokeWidth={LINES.has(look.leaf) ? 4 : 1.5}
            fill={LINES.has(look.leaf) ? 'none' : LEAF}
          >
            <path d={LEAF_PATH[look.leaf]} strokeLinecap="round" />
            {blade && <path d={LEAF_PATH.blade} transform="scale(-0.6 0.62)" />}
          </g>
          {look.cotyledon !== 'blade' && look.cotyledon !== 'below' && (
            <g fill="#86a05c" stroke={EDGE} strokeWidth={1.5}>
              <path d={COTYLEDON[look.cotyledon]} />
              <path d={COTYLEDON[look.cotyledon]} transform="scale(-1 1)" />
            </g>
          )}
        </g>
      </svg>
      {!small && <figcaption className="text-bark max-w-xs text-sm">{look.text}</figcaption>}
    </figure>
  );
}
