import { useState } from 'react';
import { speciesOf } from '../../catalogue/catalogue.ts';
import { parseGround, parseLength_m } from '../../core/units/length.ts';
import { parseMass_g } from '../../core/units/mass.ts';
import { type UnitChoice } from '../../core/units/show.ts';
import { logLook } from '../../records/commands/seed.ts';
import type { Bed, Cover, Look } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useDraft } from '../../ring/useDraft.ts';
import { failureWords } from '../../ui/failureWords.ts';
import { DateField, SelectField, TextField } from '../../ui/fields.tsx';
import { STAGE_WORDS } from '../../ui/methodWords.ts';
import { Field } from '../../ui/parts.tsx';
import { MemberFields, type MemberTyped, readMembers } from './MemberFields.tsx';

/** A typed percentage as a share; null for nothing typed, NaN for what is none. */
function share(text: string): number | null {
  if (text.trim() === '') return null;
  const value = Number(text.replace(',', '.')) / 100;
  return value >= 0 && value <= 1 ? value : Number.NaN;
}

/** What was cut and weighed; null for nothing typed, undefined for what cannot be read. A number alone is in kilograms or pounds, square metres or feet. */
function bulkOf(weighed: string, frame: string, units: UnitChoice): Look['bulk'] | null | undefined {
  if (weighed.trim() === '' && frame.trim() === '') return null;
  const bare = /^[\d.,\s]+$/;
  const mass = parseMass_g(
    bare.test(weighed) ? `${weighed} ${units.mass === 'imperial' ? 'lb' : 'kg'}` : weighed,
    'g',
  );
  const ground = parseGround(
    bare.test(frame) ? `${frame} ${units.length === 'imperial' ? 'sq ft' : 'm²'}` : frame,
    units.length === 'imperial' ? 'ft' : 'm',
  );
  if (!mass.ok || !ground.ok || mass.value <= 0) return undefined;
  return { fresh_kg: mass.value / 1000, area_m2: ground.value.area_m2 };
}

/** What is half typed outlives the page. */
interface Typed {
  /** Empty for today. */
  on: string;
  emergence: string;
  ground: string;
  height: string;
  stage: string;
  alive: string;
  weeds: string;
  /** Fresh weight of what was cut in a frame, and the frame. */
  weighed?: string;
  frame?: string;
  note: string;
  others: Record<string, MemberTyped>;
}
const NOTHING_SEEN: Typed = {
  on: '',
  emergence: '',
  ground: '',
  height: '',
  stage: '',
  alive: '',
  weeds: '',
  weighed: '',
  frame: '',
  note: '',
  others: {},
};

/** What was seen, as little or as much as the gardener cares to enter. */
export function LookForm({ cover, bed }: { cover: Cover; bed: Bed }) {
  const { garden, today, hands, run } = useGarden();
  const [typed, setTyped, clear] = useDraft<Typed>(`look ${cover.id}`, NOTHING_SEEN);
  const [problem, setProblem] = useState('');
  if (!typed) return null;
  const { emergence, ground, height, stage, alive, weeds, note, others } = typed;
  const on = typed.on || today;
  const set =
    <K extends keyof Typed>(key: K) =>
    (value: Typed[K]) =>
      setTyped({ ...typed, [key]: value });
  async function log() {
    let height_m: number | null = null;
    if (height.trim()) {
      const read = parseLength_m(
        /[a-z'"]/i.test(height) ? height : `${height} ${garden.units.length === 'imperial' ? 'in' : 'cm'}`,
      );
      if (!read.ok && read.failure.code !== 'length-range') return setProblem(failureWords(read.failure));
      height_m = read.ok ? read.value : Number(read.failure.facts?.metres);
      if (height_m > 6) return setProblem('That is taller than any cover. Check the unit.');
    }
    if ([ground, alive].some((t) => Number.isNaN(share(t))))
      return setProblem('Ground covered and plants alive are percentages: write a number from 0 to 100.');
    const membersSeen = readMembers(cover, others);
    if (!membersSeen)
      return setProblem(
        'Plants counted are whole numbers, and the ground they were counted on is in m², for example 0.25.',
      );
    const bulk = bulkOf(typed?.weighed ?? '', typed?.frame ?? '', garden.units);
    if (bulk === undefined)
      return setProblem(
        'What was weighed needs its weight and the ground it was cut on, for example 1.2 kg on 0.25 m².',
      );
    setProblem('');
    const look: Look = {
      id: hands.newId(),
      gardenId: garden.id,
      bedId: bed.id,
      coverId: cover.id,
      on,
      emergence: (emergence || null) as Look['emergence'],
      cover: share(ground),
      height_m,
      stage: (stage || null) as Look['stage'],
      alive: share(alive),
      weeds: (weeds || null) as Look['weeds'],
      crowns: null,
      members: membersSeen,
      ...(bulk ? { bulk } : {}),
      note,
    };
    if (await run(logLook(hands, look))) clear();
  }

  return (
    <form
      className="grid max-w-2xl gap-4 sm:grid-cols-2"
      onSubmit={(e) => {
        e.preventDefault();
        void log();
      }}
    >
      <DateField label="Day of the look" value={on} onChange={set('on')} />
      <SelectField
        label="Has it come up?"
        value={emergence}
        options={[
          ['', 'not looked at'],
          ['none', 'nothing yet'],
          ['some', 'here and there'],
          ['even', 'evenly'],
        ]}
        onChange={set('emergence')}
      />
      <Field
        label="Ground covered by leaves, %"
        hint="Look straight down at a few spots; how much soil is hidden?"
      >
        {(id) => (
          <input
            id={id}
            type="number"
            min={0}
            max={100}
            inputMode="numeric"
            className="input"
            value={ground}
            onChange={(e) => set('ground')(e.target.value)}
          />
        )}
      </Field>
      <TextField
        label={`Height, ${garden.units.length === 'imperial' ? 'inches' : 'cm'}`}
        decimal
        value={height}
        onChange={set('height')}
      />
      <SelectField
        label={`Stage of the ${speciesOf(cover.parts[0]!.speciesId).name.toLowerCase()}`}
        hint={stage ? STAGE_WORDS[stage]!.look : 'Choose one and read what to look for.'}
        value={stage}
        options={[
          ['', 'not looked at'],
          ...Object.entries(STAGE_WORDS).map(([k, w]) => [k, w.name] as const),
        ]}
        onChange={set('stage')}
      />
      <SelectField
        label="Weeds"
        value={weeds}
        options={[
          ['', 'not looked at'],
          ['few', 'few'],
          ['some', 'some'],
          ['many', 'many'],
        ]}
        onChange={set('weeds')}
      />
      <TextField
        label="Alive after cold, % of plants"
        hint="Part the leaves: a crown that is firm and white lives, whatever its leaves look like."
        decimal
        value={alive}
        onChange={set('alive')}
      />
      <TextField
        label="Cut in a frame and weighed fresh"
        hint="Cut it at the ground, shake off the dew."
        decimal
        value={typed.weighed ?? ''}
        onChange={set('weighed')}
      />
      <TextField
        label="On so much ground"
        hint={garden.units.length === 'imperial' ? '3 sq ft, or 1 ft x 3 ft' : '0.25 m², or 50 cm x 50 cm'}
        value={typed.frame ?? ''}
        onChange={set('frame')}
      />
      <MemberFields cover={cover} typed={others} change={set('others')} />
      <div className="sm:col-span-2">
        <Field label="Note">
          {(id) => (
            <textarea
              id={id}
              className="textarea"
              rows={2}
              value={note}
              onChange={(e) => set('note')(e.target.value)}
            />
          )}
        </Field>
      </div>
      {problem && (
        <p role="alert" className="text-madder font-semibold sm:col-span-2">
          {problem}
        </p>
      )}
      <button type="submit" className="btn btn-primary justify-self-start">
        Log this look
      </button>
    </form>
  );
}
