import { speciesOf } from '../../catalogue/catalogue.ts';
import type { Cover, Look } from '../../records/types.ts';
import { SelectField, TextField } from '../../ui/fields.tsx';
import { STAGE_WORDS } from '../../ui/methodWords.ts';
import { z } from 'zod';

/** What is typed of one member; texts until the look is logged. */
export const memberTyped = z.object({
  stage: z.string().optional(),
  plants: z.string().optional(),
  area: z.string().optional(),
});
type MemberTyped = z.infer<typeof memberTyped>;

type Member = Look['members'][number];

/** Members as they were seen; undefined where something typed is no number. */
export function readMembers(cover: Cover, typed: Record<string, MemberTyped>): Member[] | undefined {
  const out: Member[] = [];
  for (const { speciesId } of cover.parts) {
    const t = typed[speciesId];
    if (!t) continue;
    const counted = (t.plants ?? '').trim() !== '';
    const plants = Number(t.plants);
    const area_m2 = Number((t.area ?? USUAL_AREA).replace(',', '.'));
    if (counted && !(Number.isInteger(plants) && plants >= 0 && area_m2 > 0 && area_m2 <= 1000))
      return undefined;
    const stage = (t.stage || null) as Member['stage'];
    if (stage || counted)
      out.push({ speciesId, stage, alive: null, count: counted ? { plants, area_m2 } : null });
  }
  return out;
}
/** A frame of half a metre by half a metre. */
const USUAL_AREA = '0.25';

/** The other members of a mix by stage, and plants counted of any of them. */
export function MemberFields({
  cover,
  typed,
  change,
  wrong,
}: {
  cover: Cover;
  typed: Record<string, MemberTyped>;
  change(typed: Record<string, MemberTyped>): void;
  wrong: string | undefined;
}) {
  const set = (id: string, part: MemberTyped) => change({ ...typed, [id]: { ...typed[id], ...part } });
  return (
    <details className="sm:col-span-2">
      <summary className="cursor-pointer py-2 font-semibold">
        {cover.parts.length > 1 ? 'Each member, and plants counted' : 'Plants counted'}
      </summary>
      {wrong && (
        <p role="alert" className="text-madder font-semibold">
          {wrong}
        </p>
      )}
      <div className="grid gap-4 sm:grid-cols-3">
        {cover.parts.map(({ speciesId }, i) => {
          const name = speciesOf(speciesId).name;
          const t = typed[speciesId] ?? {};
          return (
            <div key={speciesId} className="contents">
              {i === 0 ? (
                <p className="self-end pb-2 font-semibold">{name}</p>
              ) : (
                <SelectField
                  label={`Stage of the ${name.toLowerCase()}`}
                  value={t.stage ?? ''}
                  options={[
                    ['', 'not looked at'],
                    ...Object.entries(STAGE_WORDS).map(([k, w]) => [k, w.name] as const),
                  ]}
                  onChange={(stage) => set(speciesId, { stage })}
                />
              )}
              <TextField
                label={`${name}: plants counted`}
                decimal
                value={t.plants ?? ''}
                onChange={(plants) => set(speciesId, { plants })}
              />
              <TextField
                label={`on how much ground, m² (${name.toLowerCase()})`}
                decimal
                value={t.area ?? USUAL_AREA}
                onChange={(area) => set(speciesId, { area })}
              />
            </div>
          );
        })}
      </div>
    </details>
  );
}
