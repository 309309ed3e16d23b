import { useState } from 'react';
import { membersOf } from '../../catalogue/catalogue.ts';
import { obstacleArea_m2, stripsArea_m2 } from '../../core/area/area.ts';
import { USUAL_SEED } from '../../core/seed/weight.ts';
import { latenessFactor } from '../../core/seed/lateness.ts';
import { parseLength_m } from '../../core/units/length.ts';
import { parseRate_g_m2, rateIn } from '../../core/units/rate.ts';
import { showArea, showLength } from '../../core/units/show.ts';
import { saveRecipe } from '../../records/verbs/seed.ts';
import { sownArea_m2, weightsOf } from '../../questions/weights.ts';
import type { Bed, Cover } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { Check, SelectField, TextField } from '../../ui/fields.tsx';
import { failureWords } from '../../ui/failureWords.ts';

interface Props {
  cover: Cover;
  bed: Bed;
  onChange(part: Partial<Cover>, label: string): void;
}

/** What the weight also hangs on: the ground that is really sown, lateness, and whether anything of it will be eaten. */
export function SeedChoices({ cover, bed, onChange }: Props) {
  const { garden } = useGarden();
  const taken = bed.obstacles.reduce((s, o) => s + obstacleArea_m2(o), 0);
  return (
    <section className="border-linen border-t py-4">
      <h2 className="font-display text-lg font-bold">The ground, and the time</h2>
      <p>
        {cover.strips
          ? `${cover.strips.count} strips of ${showLength(cover.strips.width_m, garden.units)} × ${showLength(cover.strips.length_m, garden.units)} = ${showArea(stripsArea_m2(cover.strips), garden.units)}.`
          : `Bed ${bed.name} ${showArea(bed.area_m2, garden.units)}${taken > 0 ? ` − ${bed.obstacles.map((o) => `${o.count > 1 ? `${o.count} × ` : ''}${o.name.toLowerCase()}`).join(', ')} ${taken.toFixed(2)} m²` : ', nothing in the way'}.`}
      </p>
      <div className="mt-2 grid max-w-3xl gap-4 sm:grid-cols-2">
        <SelectField
          label="Sown past its best time by"
          value={String(cover.weeksLate)}
          options={[0, 1, 2, 3, 4].map((w) => [
            String(w),
            w === 0
              ? 'not late'
              : `${w} week${w > 1 ? 's' : ''}${w === 4 ? ' or more' : ''}: ${Math.round((latenessFactor(w) - 1) * 100)} % more`,
          ])}
          onChange={(w) => onChange({ weeksLate: Number(w) }, 'lateness of a sowing')}
        />
        <div className="self-end">
          <Check
            label="Shoots or pods will be eaten, or animals feed on it"
            checked={cover.eaten}
            onChange={(eaten) => onChange({ eaten }, 'what a cover is for')}
          />
        </div>
      </div>
      {cover.weeksLate >= 3 && membersOf(cover.parts).some((m) => m.species.role === 'legume') && (
        <p className="text-bark mt-1 max-w-2xl text-sm">
          More seed helps little this late. A legume three weeks past its time is better swapped for rye,
          which still makes a stand.
        </p>
      )}
      <StripsForm cover={cover} bed={bed} onChange={onChange} />
      <OwnRate cover={cover} bed={bed} onChange={onChange} />
      <KeptMix cover={cover} bed={bed} onChange={onChange} />
    </section>
  );
}

/** A rate of the gardener's own, in whatever unit it is quoted, in place of the catalogue's. */
function OwnRate({ cover, bed, onChange }: Props) {
  const { garden } = useGarden();
  const [text, setText] = useState('');
  const [problem, setProblem] = useState('');
  const weights = weightsOf(cover, bed);
  const now_g_m2 = weights.reduce((s, w) => s + w.weigh_g / w.area_m2, 0);
  const unit = garden.units.mass === 'imperial' ? 'oz/100 ft²' : 'g/m²';
  return (
    <details className="mt-2">
      <summary className="cursor-pointer underline">
        A rate of your own; now {Number(rateIn(now_g_m2, unit).toPrecision(3))} {unit} on the scale
        {cover.rateTimes !== 1 ? `, ${Math.round(cover.rateTimes * 100)} % of the usual` : ''}
      </summary>
      <form
        className="mt-2 flex max-w-xl items-end gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          const read = parseRate_g_m2(text, { bed_m2: sownArea_m2(cover, bed) });
          if (!read.ok) return setProblem(failureWords(read.failure));
          const times = (cover.rateTimes * read.value) / now_g_m2;
          if (times < LEAST_TIMES || times > MOST_TIMES)
            return setProblem(
              `That is ${times.toFixed(1)} times the usual rate of this cover. Check the unit: between a fifth and four times is taken.`,
            );
          setProblem('');
          setText('');
          onChange({ rateTimes: Math.round(times * 1000) / 1000 }, 'a rate of your own');
        }}
      >
        <TextField
          label="Weigh at this rate"
          hint="15 g/m², 120 lb/acre, 3 oz/100 ft², 40 g per bed"
          value={text}
          onChange={setText}
        />
        <button type="submit" className="btn">
          Take this rate
        </button>
        {cover.rateTimes !== 1 && (
          <button type="button" className="btn" onClick={() => onChange({ rateTimes: 1 }, 'the usual rate')}>
            The usual rate again
          </button>
        )}
      </form>
      {problem && (
        <p role="alert" className="text-madder font-semibold">
          {problem}
        </p>
      )}
    </details>
  );
}

/** What records take as a rate against the usual one. */
const LEAST_TIMES = 0.2;
const MOST_TIMES = 4;

/** The mix of this cover from those kept under a name, or kept under one. */
function KeptMix({ cover, onChange }: Props) {
  const { garden, recipes, hands, run } = useGarden();
  const [name, setName] = useState('');
  if (cover.parts.length < 2 && recipes.length === 0) return null;
  const take = (id: string) => {
    const recipe = recipes.find((r) => r.id === id);
    if (!recipe) return;
    onChange(
      {
        parts: recipe.parts,
        seed: recipe.parts.map(
          (p) =>
            cover.seed.find((s) => s.speciesId === p.speciesId) ?? {
              speciesId: p.speciesId,
              ...USUAL_SEED,
              used_g: null,
              lotId: null,
            },
        ),
      },
      `the mix ${recipe.name}`,
    );
  };
  return (
    <details className="mt-2">
      <summary className="cursor-pointer underline">Mixes kept under a name</summary>
      <div className="mt-2 grid max-w-3xl items-end gap-3 sm:grid-cols-3">
        {recipes.length > 0 && !cover.sownOn && (
          <SelectField
            label="Sow a kept mix instead"
            value=""
            options={[['', 'as chosen'] as const, ...recipes.map((r) => [r.id, r.name] as const)]}
            onChange={take}
          />
        )}
        <TextField label="Keep this mix as" value={name} onChange={setName} />
        <button
          type="button"
          className="btn"
          disabled={!name.trim()}
          onClick={() =>
            void run(
              saveRecipe(hands, {
                id: hands.newId(),
                gardenId: garden.id,
                name: name.trim(),
                parts: cover.parts,
                ready: false,
                packs: [],
                rate_g_m2: null,
              }),
            ).then((ok) => ok && setName(''))
          }
        >
          Keep it
        </button>
      </div>
    </details>
  );
}

/** Aisles and gaps: the area of strips worked out. */
function StripsForm({ cover, bed, onChange }: Props) {
  const { garden } = useGarden();
  const unit = garden.units.length === 'imperial' ? 'ft' : 'm';
  const [count, setCount] = useState('2');
  const [width, setWidth] = useState('');
  const [length, setLength] = useState(
    bed.length_m ? String(Number((bed.length_m / (unit === 'ft' ? 0.3048 : 1)).toFixed(2))) : '',
  );
  const [problem, setProblem] = useState('');
  if (cover.strips)
    return (
      <button
        type="button"
        className="btn btn-sm mt-2"
        onClick={() => onChange({ strips: null }, 'sowing the whole bed')}
      >
        Sow the whole bed again
      </button>
    );
  return (
    <details className="mt-2">
      <summary className="cursor-pointer underline">Only strips of it: aisles, gaps between rows</summary>
      <form
        className="mt-2 grid max-w-2xl items-end gap-3 sm:grid-cols-4"
        onSubmit={(e) => {
          e.preventDefault();
          const w = parseLength_m(width, unit);
          const l = parseLength_m(length, unit);
          const n = Number(count);
          if (!w.ok) return setProblem(failureWords(w.failure));
          if (!l.ok) return setProblem(failureWords(l.failure));
          if (!(n >= 1 && n <= 500)) return setProblem('Say how many strips there are, 1 to 500.');
          const strips = { count: Math.round(n), width_m: w.value, length_m: l.value };
          if (stripsArea_m2(strips) > bed.area_m2)
            return setProblem(
              `These strips come to ${showArea(stripsArea_m2(strips), garden.units)}, more than the bed has. Check width and number.`,
            );
          setProblem('');
          onChange({ strips }, 'sowing strips');
        }}
      >
        <TextField label="How many" value={count} onChange={setCount} decimal />
        <TextField label={`Width of one, ${unit}`} value={width} onChange={setWidth} />
        <TextField label={`Length, ${unit}`} value={length} onChange={setLength} />
        <button type="submit" className="btn">
          Sow only these
        </button>
      </form>
      {problem && (
        <p role="alert" className="text-madder font-semibold">
          {problem}
        </p>
      )}
    </details>
  );
}
