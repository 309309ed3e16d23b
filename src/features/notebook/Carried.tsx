import { useState } from 'react';
import { type MovedKind } from '../../core/years/ledger.ts';
import { parseMass_g } from '../../core/units/mass.ts';
import { saveNote } from '../../records/verbs/verbs.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useDraft } from '../../ring/useDraft.ts';
import { failureWords } from '../../ui/failureWords.ts';
import { SelectField, TextField } from '../../ui/fields.tsx';
import { MOVED_OPTIONS } from '../../ui/movedWords.ts';

const BLANK = { bed: '', what: 'compost' as MovedKind, weight: '', nitrogen: '' };
const MOST_PCT = 50;

/** A number alone is in kilograms or pounds: nobody weighs compost by the gram. */
const weighed_g = (text: string, imperial: boolean) =>
  parseMass_g(/^[\d.,\s]+$/.test(text) ? `${text} ${imperial ? 'lb' : 'kg'}` : text, 'g');

/** Writes down what was carried onto a bed or off it today; the ledger of the years counts it. */
export function Carried() {
  const { garden, ground: beds, today, hands, run } = useGarden();
  const [draft, setDraft, clear] = useDraft(`carried ${garden.id}`, BLANK);
  const [problem, setProblem] = useState('');
  if (!draft || beds.length === 0) return null;
  const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part });
  const bedId = beds.some((b) => b.id === draft.bed) ? draft.bed : beds[0]!.id;
  const save = () => {
    const mass = weighed_g(draft.weight, garden.units.mass === 'imperial');
    if (!mass.ok) return setProblem(failureWords(mass.failure));
    const nitrogenPct = draft.nitrogen.trim() === '' ? undefined : Number(draft.nitrogen.replace(',', '.'));
    if (nitrogenPct !== undefined && !(nitrogenPct >= 0 && nitrogenPct <= MOST_PCT))
      return setProblem(`Nitrogen is a share of the weight: 0 to ${MOST_PCT} %.`);
    setProblem('');
    const moved = {
      what: draft.what,
      kg: mass.value / 1000,
      ...(nitrogenPct === undefined ? {} : { nitrogenPct }),
    };
    void run(
      saveNote(hands, { id: hands.newId(), gardenId: garden.id, bedId, on: today, text: '', moved }),
    ).then((ok) => ok && clear());
  };
  return (
    <details className="mt-3" open={draft.weight !== ''}>
      <summary className="cursor-pointer font-semibold underline">
        Compost, mulch or feed on; harvest or hay off
      </summary>
      <form
        className="mt-2 grid max-w-3xl items-end gap-3 sm:grid-cols-[6rem_1fr_9rem_12rem_auto]"
        onSubmit={(e) => {
          e.preventDefault();
          save();
        }}
      >
        <SelectField
          label="On bed"
          value={bedId}
          options={beds.map((b) => [b.id, b.name] as const)}
          onChange={(bed) => set({ bed })}
        />
        <SelectField
          label="What"
          value={draft.what}
          options={MOVED_OPTIONS}
          onChange={(what) => set({ what })}
        />
        <TextField
          label={`How much, ${garden.units.mass === 'imperial' ? 'lb' : 'kg'}`}
          value={draft.weight}
          onChange={(weight) => set({ weight })}
        />
        <TextField
          label="Nitrogen on the bag, %"
          value={draft.nitrogen}
          onChange={(nitrogen) => set({ nitrogen })}
          decimal
        />
        <button type="submit" className="btn" disabled={draft.weight.trim() === ''}>
          Write down
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
