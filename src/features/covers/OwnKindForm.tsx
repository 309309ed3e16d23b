import { useState } from 'react';
import { useNavigate } from 'react-router';
import { type SpeciesEntry } from '../../catalogue/schema.ts';
import { parseNumber } from '../../core/units/number.ts';
import { type OwnKind, OWN_KIND } from '../../core/stand/ownKind.ts';
import { changeGarden } from '../../records/commands/change.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useDraft } from '../../ring/useDraft.ts';
import { failureWords } from '../../ui/failureWords.ts';
import { SelectField, TextField } from '../../ui/fields.tsx';

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

/** A kind or cultivar that the catalogue lacks, made from this one with a few changes; it goes with the garden. */
export function OwnKindForm({ like }: { like: SpeciesEntry }) {
  const { garden, hands, run } = useGarden();
  const navigate = useNavigate();
  const [typed, setTyped, clear] = useDraft(`own kind ${like.id}`, {
    name: '',
    later: '0',
    hardier: '0',
    seed: '',
  });
  const [problem, setProblem] = useState('');
  if (!typed) return null;
  const set = (part: Partial<typeof typed>) => setTyped({ ...typed, ...part });
  const own = garden.ownKinds ?? [];
  const make = async () => {
    const name = typed.name.trim();
    if (name === '') return setProblem('Give it a name, such as that of the cultivar.');
    if (own.some((k) => k.name.toLowerCase() === name.toLowerCase()))
      return setProblem('There is a kind of your own by that name.');
    const weight = like.seed.thousandSeed_g;
    const seed =
      typed.seed.trim() === ''
        ? undefined
        : parseNumber(typed.seed, weight / OWN_KIND.seedTimes, weight * OWN_KIND.seedTimes);
    if (seed && !seed.ok)
      return setProblem(
        seed.failure.code === 'number-range'
          ? `A thousand seeds of this weigh about ${weight} g; a quarter of that to four times as much can be said.`
          : failureWords(seed.failure),
      );
    setProblem('');
    const kind: OwnKind = {
      id: `${OWN_PREFIX}${hands.newId()}`,
      name,
      like: like.id,
      later: Number(typed.later),
      hardier_c: Number(typed.hardier),
      thousandSeed_g: seed ? seed.value : null,
    };
    const done = await run(
      changeGarden(hands, garden.id, `a kind of your own, ${name}`, (g) => ({
        ownKinds: [...(g.ownKinds ?? []), kind],
      })),
    );
    if (!done) return;
    clear();
    void navigate(`/covers/${kind.id}`);
  };
  return (
    <details className="mt-5 max-w-2xl">
      <summary className="cursor-pointer font-semibold">Yours is another cultivar, or a kind like it</summary>
      <p className="mt-1">
        What is known of {like.name.toLowerCase()} is taken over but for what you change. It is marked as your
        own, ranks below what is proven when they come close, and goes with the garden.
      </p>
      <form
        className="mt-2 grid gap-3 sm:grid-cols-2"
        onSubmit={(e) => {
          e.preventDefault();
          void make();
        }}
      >
        <TextField label="Its name" value={typed.name} onChange={(name) => set({ name })} />
        <SelectField
          label="It flowers"
          value={typed.later}
          options={LATER}
          onChange={(later) => set({ later })}
        />
        <SelectField
          label="It bears cold"
          value={typed.hardier}
          options={HARDIER}
          onChange={(hardier) => set({ hardier })}
        />
        <TextField
          label="A thousand seeds weigh, g"
          hint={`empty for ${like.seed.thousandSeed_g} g, as this one`}
          value={typed.seed}
          onChange={(seed) => set({ seed })}
          decimal
        />
        {problem && (
          <p role="alert" className="text-madder font-semibold sm:col-span-2">
            {problem}
          </p>
        )}
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
