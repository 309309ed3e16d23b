import { type SpeciesPage } from '../../catalogue/schema.ts';

type Form = SpeciesPage['seedLook']['form'];

/** Length against width of each form, and how long a seed of a milligram is, mm: density of about 1.2 and its roundness. */
const SHAPE: Record<Form, { ratio: number; mmOf1mg: number }> = {
  grain: { ratio: 2.8, mmOf1mg: 1.9 },
  round: { ratio: 1, mmOf1mg: 1.15 },
  bean: { ratio: 1.5, mmOf1mg: 1.45 },
  heart: { ratio: 1.05, mmOf1mg: 1.25 },
  lens: { ratio: 1, mmOf1mg: 1.45 },
  block: { ratio: 1.4, mmOf1mg: 1.4 },
  triangle: { ratio: 1.3, mmOf1mg: 1.5 },
  drop: { ratio: 1.6, mmOf1mg: 1.6 },
  long: { ratio: 5, mmOf1mg: 3 },
};

/** Outlines in a box of 100 x 100, long axis upright. */
const PATHS: Record<Form, string> = {
  grain: 'M50 2C64 14 68 40 66 62C64 84 58 96 50 98C42 96 36 84 34 62C32 40 36 14 50 2Z',
  round: 'M50 2A48 48 0 1 1 49.9 2Z',
  bean: 'M36 4C70 -4 88 26 84 58C81 86 58 104 38 94C26 88 30 74 38 62C46 50 44 44 34 36C20 24 18 10 36 4Z',
  heart: 'M50 96C24 80 4 56 6 30C8 8 36 2 50 22C64 2 92 8 94 30C96 56 76 80 50 96Z',
  lens: 'M50 6C84 6 98 30 98 50C98 70 84 94 50 94C16 94 2 70 2 50C2 30 16 6 50 6Z',
  block: 'M22 4L80 8L86 60L74 94L20 96L14 40Z',
  triangle: 'M50 2C62 30 84 62 92 86C74 98 26 98 8 86C16 62 38 30 50 2Z',
  drop: 'M50 2C58 22 82 48 82 70C82 88 68 98 50 98C32 98 18 88 18 70C18 48 42 22 50 2Z',
  long: 'M46 2L54 2L58 40L56 98L44 98L42 40Z',
};

export const seedLength_mm = (form: Form, thousandSeed_g: number): number =>
  SHAPE[form].mmOf1mg * Math.cbrt(thousandSeed_g);

/** The shape and colour of a seed, small, beside a name. */
export function SeedMark({ look }: { look: SpeciesPage['seedLook'] }) {
  return (
    <svg viewBox="-4 -4 108 108" className="h-5 w-5 shrink-0" aria-hidden="true">
      <path d={PATHS[look.form]} fill={look.colour} stroke="var(--color-walnut)" strokeWidth={5} />
    </svg>
  );
}

/** A seed as it lies on the palm, beside a bar that is true to it. */
export function SeedDrawing({
  look,
  thousandSeed_g,
  name,
}: {
  look: SpeciesPage['seedLook'];
  thousandSeed_g: number;
  name: string;
}) {
  const length = seedLength_mm(look.form, thousandSeed_g);
  const bar_mm = length > 6 ? 5 : length > 2.5 ? 2 : 1;
  const tall = 84;
  const wide = Math.max(14, tall / SHAPE[look.form].ratio);
  const bar = (bar_mm / length) * tall;
  return (
    <figure>
      <svg
        viewBox="0 0 200 110"
        className="h-28"
        role="img"
        aria-label={`Seed of ${name}, about ${length.toFixed(1)} mm long`}
      >
        <svg
          x={20}
          y={10}
          width={wide}
          height={tall}
          viewBox={
            look.form === 'grain' ? '32 0 36 100' : look.form === 'long' ? '40 0 20 100' : '0 0 100 100'
          }
          preserveAspectRatio="none"
        >
          <path d={PATHS[look.form]} fill={look.colour} stroke="var(--color-walnut)" strokeWidth={2} />
          {look.form === 'grain' && (
            <path d="M50 14V88" stroke="var(--color-walnut)" strokeOpacity={0.45} strokeWidth={2} />
          )}
          {look.form === 'triangle' && (
            <path d="M50 4V92" stroke="var(--color-wool)" strokeOpacity={0.5} strokeWidth={2} fill="none" />
          )}
        </svg>
        <path
          d={`M${wide + 38} 94v${-bar}m-4 0h8m-8 ${bar}h8`}
          stroke="var(--color-bark)"
          strokeWidth={1.5}
          fill="none"
        />
        <text x={wide + 48} y={94 - bar / 2 + 4} fontSize={12} fill="var(--color-bark)">
          {bar_mm} mm
        </text>
      </svg>
      <figcaption className="text-bark text-sm">
        Seed, about {length.toFixed(1)} mm; a thousand weigh {thousandSeed_g} g
      </figcaption>
    </figure>
  );
}
