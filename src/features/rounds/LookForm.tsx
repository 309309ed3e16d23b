import { z } from 'zod';
import { speciesOf } from '../../catalogue/catalogue.ts';
import { parseGround, parseLength_m } from '../../core/units/length.ts';
import { parseMass_g } from '../../core/units/mass.ts';
import { type UnitChoice } from '../../core/units/show.ts';
import { logLook } from '../../records/commands/seed.ts';
import type { Bed, Cover, Look } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { failureWords } from '../../ui/failureWords.ts';
import { DateField, SelectField, TextField } from '../../ui/fields.tsx';
import { STAGE_WORDS } from '../../ui/methodWords.ts';
import { Field } from '../../ui/parts.tsx';
import { MemberFields, memberTyped, readMembers } from './MemberFields.tsx';
import { type KeptForm, useKeptForm } from '../../ring/useKeptForm.ts';
import { figureOrNone } from '../../ring/typedFigures.ts';

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

const TALLEST_M = 6;
const PERCENT = 'A share of all: write a number from 0 to 100.';
const percent = figureOrNone(0, 100, PERCENT).transform((v) => (v === undefined ? null : v / 100));

/** A height; a number alone is in centimetres or inches. */
const heightIn = (imperial: boolean) =>
  z.string().transform((text, ctx) => {
    if (text.trim() === '') return null;
    const read = parseLength_m(/[a-z'"]/i.test(text) ? text : `${text} ${imperial ? 'in' : 'cm'}`);
    const known = read.ok || read.failure.code === 'length-range';
    const height_m = read.ok ? read.value : Number(read.failure.facts?.metres);
    if (known && height_m <= TALLEST_M) return height_m;
    ctx.addIssue({
      code: 'custom',
      message:
        read.ok || known ? 'That is taller than any cover. Check the unit.' : failureWords(read.failure),
    });
    return z.NEVER;
  });

const lookForm = (cover: Cover, units: UnitChoice) =>
  z
    .object({
      /** Empty for today. */
      on: z.string(),
      emergence: z.string(),
      ground: percent,
      height: heightIn(units.length === 'imperial'),
      stage: z.string(),
      alive: percent,
      weeds: z.string(),
      /** Fresh weight of what was cut in a frame, and the frame. */
      weighed: z.string(),
      frame: z.string(),
      note: z.string(),
      others: z.record(z.string(), memberTyped),
    })
    .transform((said, ctx) => {
      const members = readMembers(cover, said.others);
      if (!members)
        ctx.addIssue({
          code: 'custom',
          path: ['others'],
          message:
            'Plants counted are whole numbers, and the ground they were counted on is in m², for example 0.25.',
        });
      const bulk = bulkOf(said.weighed, said.frame, units);
      if (bulk === undefined)
        ctx.addIssue({
          code: 'custom',
          path: ['frame'],
          message:
            'What was weighed needs its weight and the ground it was cut on, for example 1.2 kg on 0.25 m².',
        });
      return members && bulk !== undefined ? { ...said, members, bulk } : z.NEVER;
    });
const NOTHING_SEEN: z.input<ReturnType<typeof lookForm>> = {
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

type Typed = typeof NOTHING_SEEN;
type Said = z.output<ReturnType<typeof lookForm>>;

/** What was said, as a look of this cover. */
const lookOf = (
  { on, emergence, ground, height, stage, alive, weeds, note, members, bulk }: Said,
  cover: Cover,
  bed: Bed,
  today: string,
  id: string,
): Look => ({
  id,
  gardenId: bed.gardenId,
  bedId: bed.id,
  coverId: cover.id,
  on: on || today,
  emergence: (emergence || null) as Look['emergence'],
  cover: ground,
  height_m: height,
  stage: (stage || null) as Look['stage'],
  alive,
  weeds: (weeds || null) as Look['weeds'],
  crowns: null,
  members,
  ...(bulk ? { bulk } : {}),
  note,
});

/** What was seen, as little or as much as the gardener cares to enter. */
export function LookForm({ cover, bed }: { cover: Cover; bed: Bed }) {
  const { garden, today, hands, run } = useGarden();
  const form = useKeptForm(`look ${cover.id}`, lookForm(cover, garden.units), NOTHING_SEEN, (said) =>
    run(logLook(hands, lookOf(said, cover, bed, today, hands.newId()))),
  );
  if (!form) return null;
  const others = form.field('others');
  return (
    <form className="grid max-w-2xl gap-4 sm:grid-cols-2" onSubmit={form.onSubmit}>
      <DateField label="Day of the look" {...form.field('on')} value={form.typed.on || today} />
      <Seen form={form} lead={speciesOf(cover.parts[0]!.speciesId).name} units={garden.units} />
      <MemberFields cover={cover} typed={form.typed.others} change={others.onChange} wrong={others.error} />
      <div className="sm:col-span-2">
        <Field label="Note">
          {(id) => (
            <textarea
              id={id}
              className="textarea"
              rows={2}
              value={form.typed.note}
              onChange={(e) => form.field('note').onChange(e.target.value)}
            />
          )}
        </Field>
      </div>
      <button type="submit" className="btn btn-primary justify-self-start">
        Log this look
      </button>
    </form>
  );
}

/** What is seen of the stand as a whole. */
function Seen({ form, lead, units }: { form: KeptForm<Typed>; lead: string; units: UnitChoice }) {
  const { stage } = form.typed;
  const imperial = units.length === 'imperial';
  return (
    <>
      <SelectField
        label="Has it come up?"
        {...form.field('emergence')}
        options={[
          ['', 'not looked at'],
          ['none', 'nothing yet'],
          ['some', 'here and there'],
          ['even', 'evenly'],
        ]}
      />
      <TextField
        label="Ground covered by leaves, %"
        hint="Look straight down at a few spots; how much soil is hidden?"
        decimal
        {...form.field('ground')}
      />
      <TextField label={`Height, ${imperial ? 'inches' : 'cm'}`} decimal {...form.field('height')} />
      <SelectField
        label={`Stage of the ${lead.toLowerCase()}`}
        hint={stage ? STAGE_WORDS[stage]!.look : 'Choose one and read what to look for.'}
        {...form.field('stage')}
        options={[
          ['', 'not looked at'],
          ...Object.entries(STAGE_WORDS).map(([k, w]) => [k, w.name] as const),
        ]}
      />
      <SelectField
        label="Weeds"
        {...form.field('weeds')}
        options={[
          ['', 'not looked at'],
          ['few', 'few'],
          ['some', 'some'],
          ['many', 'many'],
        ]}
      />
      <TextField
        label="Alive after cold, % of plants"
        hint="Part the leaves: a crown that is firm and white lives, whatever its leaves look like."
        decimal
        {...form.field('alive')}
      />
      <TextField
        label="Cut in a frame and weighed fresh"
        hint="Cut it at the ground, shake off the dew."
        decimal
        {...form.field('weighed')}
      />
      <TextField
        label="On so much ground"
        hint={imperial ? '3 sq ft, or 1 ft x 3 ft' : '0.25 m², or 50 cm x 50 cm'}
        {...form.field('frame')}
      />
    </>
  );
}
