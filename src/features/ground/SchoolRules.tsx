import { SCHOOL_IDS, SCHOOLS } from '../../core/termination/schools.ts';
import type { Bed, Garden } from '../../records/types.ts';
import { SelectField } from '../../ui/fields.tsx';
import { SCHOOL_WORDS } from '../../ui/schoolWords.ts';
import { type Change } from './change.ts';

/** Sides taken where good growers disagree; what is left open is asked the first time it decides something. */
export function SchoolRules({ garden, beds, change }: { garden: Garden; beds: Bed[]; change: Change }) {
  return (
    <fieldset>
      <legend className="font-display text-lg font-bold">Where growers disagree</legend>
      <p className="text-bark mb-2 text-sm">
        What is left open is asked the first time it decides something.
      </p>
      {SCHOOL_IDS.map((id) => {
        const { question, sides } = SCHOOL_WORDS[id];
        const chosen = garden.choices[id] ?? '';
        const apart = beds.filter((b) => b.choices[id] !== undefined && b.choices[id] !== chosen);
        return (
          <div key={id} className="mb-3">
            <SelectField
              label={question}
              value={chosen}
              options={[['', 'Not decided'], ...SCHOOLS[id].sides.map((s) => [s, sides[s]![0]] as const)]}
              onChange={(side) =>
                change('a house rule', (g) => ({
                  choices: {
                    ...Object.fromEntries(Object.entries(g.choices).filter(([k]) => k !== id)),
                    ...(side ? { [id]: side } : {}),
                  },
                }))
              }
            />
            <p className="text-bark text-sm">
              {SCHOOLS[id].sides.map((s) => `${sides[s]![0]}: ${sides[s]![1]}`).join(' ')}
            </p>
            {apart.length > 0 && (
              <p className="text-sm">Another way on {apart.map((b) => `bed ${b.name}`).join(', ')}.</p>
            )}
          </div>
        );
      })}
    </fieldset>
  );
}
