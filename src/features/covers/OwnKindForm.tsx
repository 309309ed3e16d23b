import { useNavigate } from 'react-router';
import { z } from 'zod';
import { type SpeciesEntry } from '../../catalogue/schema.ts';
import { type OwnKind, OWN_KIND } from '../../core/stand/ownKind.ts';
import { changeGarden } from '../../records/commands/change.ts';
import { useGarden } from '../../ring/garden.tsx';
import { SelectField, TextField } from '../../ui/fields.tsx';
import { useKeptForm } from '../../ring/useKeptForm.ts';
import { figureOrNone, someWords } from '../../ring/typedFigures.ts';

/** Ids of own kinds begin with it, so that none is ever one of the catalogue. */
export const OWN_PREFIX = 'kind-';

const LATER: [string, string][] = [
  ['-0.2', 'much earlier'],
  ['-0.1', 'somewhat earlier'],
  ['0', 'as this one'],
  ['0.1', 'somewhat later'],
  ['0.2', 'much later'],
];
const HARDIER: [string, string][] = [
  ['-4', '4 °C less'],
  ['-2', '2 °C less'],
  ['0', 'as this one'],
  ['2', '2 °C more'],
  ['4', '4 °C more'],
];

const ownKindForm = (like: SpeciesEntry, own: readonly OwnKind[]) => {
  const weight = like.seed.thousandSeed_g;
  return z.object({
    name: someWords('Give it a name, such as that of the cultivar.').refine(
      (name) => !own.some((k) => k.name.toLowerCase() === name.toLowerCase()),
      'There is a kind of your own by that name.',
    ),
    later: z.string(),
    hardier: z.string(),
    seed: figureOrNone(
      weight / OWN_KIND.seedTimes,
      weight * OWN_KIND.seedTimes,
      `A thousand seeds of this weigh about ${weight} g; a quarter of that to four times as much can be said.`,
    ),
  });
};

/** A kind or cultivar that the catalogue lacks, made from this one with a few changes; it goes with the garden. */
export function OwnKindForm({ like }: { like: SpeciesEntry }) {
  const { garden, hands, run } = useGarden();
  const navigate = useNavigate();
  const form = useKeptForm(
    `own kind ${like.id}`,
    ownKindForm(like, garden.ownKinds ?? []),
    { name: '', later: '0', hardier: '0', seed: '' },
    async ({ name, later, hardier, seed }) => {
      const kind: OwnKind = {
        id: `${OWN_PREFIX}${hands.newId()}`,
        name,
        like: like.id,
        later: Number(later),
        hardier_c: Number(hardier),
        thousandSeed_g: seed ?? null,
      };
      const done = await run(
        changeGarden(hands, garden.id, `a kind of your own, ${name}`, (g) => ({
          ownKinds: [...(g.ownKinds ?? []), kind],
        })),
      );
      if (done) void navigate(`/covers/${kind.id}`);
      return done;
    },
  );
  if (!form) return null;
  return (
    <details className="mt-5 max-w-2xl">
      <summary className="cursor-pointer font-semibold">Yours is another cultivar, or a kind like it</summary>
      <p className="mt-1">
        What is known of {like.name.toLowerCase()} is taken over but for what you change. It is marked as your
        own, ranks below what is proven when they come close, and goes with the garden.
      </p>
      <form className="mt-2 grid gap-3 sm:grid-cols-2" onSubmit={form.onSubmit}>
        <TextField label="Its name" {...form.field('name')} />
        <SelectField label="It flowers" options={LATER} {...form.field('later')} />
        <SelectField label="It bears cold" options={HARDIER} {...form.field('hardier')} />
        <TextField
          label="A thousand seeds weigh, g"
          hint={`empty for ${like.seed.thousandSeed_g} g, as this one`}
          decimal
          {...form.field('seed')}
        />
        <button type="submit" className="btn justify-self-start">
          Keep it as a kind of your own
        </button>
      </form>
    </details>
  );
}

/** An own kind: what it was made from, what was changed, and the way to take it away. */
export function MadeFrom({ kind, like }: { kind: OwnKind; like: SpeciesEntry }) {
  const { garden, covers, lots, recipes, hands, run } = useGarden();
  const navigate = useNavigate();
  const used =
    covers.some((c) => c.parts.some((p) => p.speciesId === kind.id)) ||
    lots.some((l) => l.speciesId === kind.id) ||
    recipes.some((r) => r.parts.some((p) => p.speciesId === kind.id));
  const said = [
    kind.later !== 0 &&
      `flowers ${kind.later > 0 ? 'later' : 'earlier'} by ${Math.round(Math.abs(kind.later) * 100)} % of the warmth`,
    kind.hardier_c !== 0 &&
      `bears ${Math.abs(kind.hardier_c)} °C ${kind.hardier_c > 0 ? 'more' : 'less'} cold`,
    kind.thousandSeed_g !== null && `has seed of which a thousand weigh ${kind.thousandSeed_g} g`,
  ].filter(Boolean);
  return (
    <div className="border-madder mt-3 max-w-2xl border-l-4 pl-3">
      <p>
        <b>Your own, made from {like.name.toLowerCase()}.</b>{' '}
        {said.length > 0 ? `It ${said.join('; it ')}. ` : ''}
        Nothing of it has been held against published figures: look at it more often.
      </p>
      {used ? (
        <p className="text-bark">It is used in a cover, a mix or on the shelf, and stays.</p>
      ) : (
        <button
          type="button"
          className="btn mt-1"
          onClick={() =>
            void run(
              changeGarden(hands, garden.id, `taking ${kind.name} away`, (g) => ({
                ownKinds: (g.ownKinds ?? []).filter((k) => k.id !== kind.id),
              })),
            ).then((ok) => ok && navigate('/covers'))
          }
        >
          Take {kind.name} away
        </button>
      )}
    </div>
  );
}
