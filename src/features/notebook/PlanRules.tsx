import { z } from 'zod';
import { cropOf, crops } from '../../catalogue/catalogue.ts';
import { type Bent, type ForcedRule, OWN_RULES, type OwnRule } from '../../core/rotation/rules.ts';
import { wantedOf } from '../../questions/rotation.ts';
import { changeGarden } from '../../records/commands/change.ts';
import type { Bed } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { Check, SelectField } from '../../ui/fields.tsx';
import { useKeptForm } from '../../ring/useKeptForm.ts';

const KINDS: Record<OwnRule['kind'], string> = {
  'not-on': 'never on bed',
  'not-after': 'never after',
  'only-after': 'only after',
};

/** A rule of the gardener's own, as a clause that begins a sentence. */
export function ownRuleWords({ kind, cropId, than }: OwnRule, bedNames: ReadonlyMap<string, string>): string {
  const other = kind === 'not-on' ? (bedNames.get(than) ?? 'that is gone') : cropOf(than).name.toLowerCase();
  return `${cropOf(cropId).name} ${KINDS[kind]} ${other}`;
}

/** What is wrong where a rule is bent. */
export function bentWords(b: Bent, bedNames: ReadonlyMap<string, string>): string {
  const crop = cropOf(b.cropId);
  const name = crop.name.toLowerCase();
  switch (b.rule) {
    case 'family-at-once':
      return `${name} right after its own family.`;
    case 'family':
      return `${name} ${b.after_y} years after its family; ${crop.setOut.rest_y} are wanted between.`;
    case 'hungry-twice':
      return `${name} is hungry, and so was what stood before.`;
    case 'barred':
      return `${name} feeds a trouble that this bed has.`;
    case 'moved':
      return `${name} is planted anew before its years elsewhere are over.`;
    case 'worn-out':
      return `${name} stays longer than it bears well.`;
    case 'clean-first':
      return `${name} stays for years, and no year under clover or grass goes before it.`;
    case 'shade':
      return `${name} wants sun, and this bed has little.`;
    case 'own':
    case 'own-hard':
      return `${ownRuleWords(b.own!, bedNames)} is your rule.`;
  }
}

/** The rules as they are told; one sentence may stand for several. */
const RULES: readonly { ids: readonly ForcedRule[]; words: string }[] = [
  {
    ids: ['family'],
    words: 'A family stays away from a bed for the years its diseases last, three for most.',
  },
  { ids: ['family-at-once'], words: 'Never the same family twice running.' },
  { ids: ['hungry-twice'], words: 'No hungry crop after a hungry one; best after what gives nitrogen.' },
  { ids: ['barred'], words: 'What a trouble of the bed lives on stays off it.' },
  { ids: ['shade'], words: 'Nothing tender in deep shade.' },
  {
    ids: ['moved', 'worn-out', 'clean-first'],
    words:
      'What lives for years stays until they are over, and goes where a year under clover or a smothering grass went before.',
  },
];
type ForceWord = 'usual' | 'hard' | 'off';
const FORCE_WORDS: readonly (readonly [ForceWord, string])[] = [
  ['usual', 'as is usual'],
  ['hard', 'before all others'],
  ['off', 'not here'],
];

/** The rules that plans are judged by, and the gardener's own beside them. */
export function PlanRules({ beds, cropIds }: { beds: readonly Bed[]; cropIds: readonly string[] }) {
  const { garden, hands, run } = useGarden();
  const own = garden.rotationRules ?? [];
  const names = new Map(beds.map((b) => [b.id, b.name]));
  const staysLong = cropIds.some((id) => (wantedOf(cropOf(id)).stays_y ?? 1) > 1);
  const forceOf = (ids: readonly ForcedRule[]) => garden.rotationForces?.[ids[0]!] ?? 'usual';
  const setForce = (ids: readonly ForcedRule[], to: ForceWord) =>
    void run(
      changeGarden(hands, garden.id, 'how much a rule counts', (g) => {
        const rotationForces = { ...g.rotationForces };
        for (const id of ids)
          if (to === 'usual') delete rotationForces[id];
          else rotationForces[id] = to;
        return { rotationForces };
      }),
    );
  const grown = crops.filter((c) => cropIds.includes(c.id)).map((c) => [c.id, c.name] as const);
  return (
    <>
      <h3 className="font-display mt-4 text-lg font-bold">The rules</h3>
      <ul className="list-inside list-disc">
        {RULES.filter(({ ids }) => ids[0] !== 'moved' || staysLong).map(({ ids, words }) => (
          <li key={ids[0]} className={forceOf(ids) === 'off' ? 'text-bark line-through' : ''}>
            {words}
            {forceOf(ids) === 'hard' && ' Before all others.'}
          </li>
        ))}
        {own.map((r) => (
          <li key={`${r.kind}${r.cropId}${r.than}`}>
            {ownRuleWords(r, names)}
            {r.hard ? '' : ', where it can be had'}.{' '}
            <button
              type="button"
              className="underline"
              aria-label={`Take away: ${ownRuleWords(r, names)}`}
              onClick={() =>
                void run(
                  changeGarden(hands, garden.id, 'a rule of your own', (g) => ({
                    rotationRules: (g.rotationRules ?? []).filter(
                      (o) => o.kind !== r.kind || o.cropId !== r.cropId || o.than !== r.than,
                    ),
                  })),
                )
              }
            >
              Take away
            </button>
          </li>
        ))}
      </ul>
      <details className="mt-2">
        <summary className="cursor-pointer underline">How much each of them counts</summary>
        <div className="mt-2 grid gap-2">
          {RULES.filter(({ ids }) => ids[0] !== 'moved' || staysLong).map(({ ids, words }) => (
            <SelectField
              key={ids[0]}
              label={words}
              value={forceOf(ids)}
              options={FORCE_WORDS}
              onChange={(to) => setForce(ids, to)}
            />
          ))}
        </div>
      </details>
      <details className="mt-2">
        <summary className="cursor-pointer underline">Add a rule of your own</summary>
        <NewRule beds={beds} grown={grown} />
      </details>
    </>
  );
}

const ruleForm = z.object({
  kind: z.enum(OWN_RULES),
  crop: z.string(),
  bed: z.string(),
  after: z.string(),
  hard: z.boolean(),
});

function NewRule({ beds, grown }: { beds: readonly Bed[]; grown: (readonly [string, string])[] }) {
  const { garden, hands, run } = useGarden();
  const form = useKeptForm(
    `own rule ${garden.id}`,
    ruleForm,
    {
      kind: 'not-on',
      crop: grown[0]?.[0] ?? '',
      bed: beds[0]?.id ?? '',
      after: grown[1]?.[0] ?? grown[0]?.[0] ?? '',
      hard: true,
    },
    ({ kind, crop, bed, after, hard }) => {
      const rule: OwnRule = { kind, cropId: crop, than: kind === 'not-on' ? bed : after, hard };
      const same = (r: OwnRule) => r.kind === kind && r.cropId === crop && r.than === rule.than;
      return run(
        changeGarden(hands, garden.id, 'a rule of your own', (g) => ({
          rotationRules: [...(g.rotationRules ?? []).filter((r) => !same(r)), rule],
        })),
      );
    },
    ['kind', 'crop', 'bed', 'after', 'hard'],
  );
  if (!form) return null;
  return (
    <form className="mt-2 grid gap-2" onSubmit={form.onSubmit}>
      <SelectField label="Crop" options={grown} {...form.field('crop')} />
      <SelectField
        label="Rule"
        options={OWN_RULES.map((k) => [k, KINDS[k]] as const)}
        {...form.field('kind')}
      />
      {form.typed.kind === 'not-on' ? (
        <SelectField label="Bed" options={beds.map((b) => [b.id, b.name] as const)} {...form.field('bed')} />
      ) : (
        <SelectField label="Crop before it" options={grown} {...form.field('after')} />
      )}
      <Check
        label="Bend every other rule before this one"
        checked={form.typed.hard}
        onChange={form.field('hard').onChange}
      />
      <button type="submit" className="btn">
        Keep this rule
      </button>
    </form>
  );
}
