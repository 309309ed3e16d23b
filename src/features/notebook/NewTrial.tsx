import { z } from 'zod';
import { isGrown } from '../../core/bed/pieces.ts';
import { dayOf, isoOf } from '../../core/calendar/day.ts';
import { drawLots } from '../../core/trial/lots.ts';
import { setTrial } from '../../records/commands/trial.ts';
import { MEASURES } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { figure } from '../../ring/typedFigures.ts';
import { type KeptForm, useKeptForm } from '../../ring/useKeptForm.ts';
import { DateField, SelectField, TextField } from '../../ui/fields.tsx';
import { MEASURE_WORDS, READY } from './trialWords.ts';

const MOST_BLOCKS = 10;
const MOST_TREATMENTS = 4;

/** Names with commas between, the control first. */
const treatments = z
  .string()
  .transform((text) =>
    text
      .split(',')
      .map((t) => t.trim())
      .filter(Boolean),
  )
  .refine(
    (names) => names.length >= 2 && names.length <= MOST_TREATMENTS,
    'Name two to four treatments, the control first, with commas between.',
  );

const trialForm = z.object({
  ready: z.string(),
  question: z.string().trim(),
  treatments,
  measure: z.enum(MEASURES),
  lookOn: z.string(),
  counts: figure(1e-6, 1e6, 'Say how big a difference would change what you do.'),
  bed: z.string().min(1, 'Add a bed first, under Ground.'),
  blocks: figure(1, MOST_BLOCKS, `Take one to ${MOST_BLOCKS} blocks.`).transform(Math.round),
  from: z.string(),
  to: z.string(),
});
type Typed = z.input<typeof trialForm>;

/** What a ready question brings along. */
const readyFields = (i: number, today: string): Partial<Typed> => {
  const r = READY[i]!;
  return {
    ready: String(i),
    question: r.question,
    treatments: r.treatments.join(', '),
    measure: r.measure,
    counts: String(r.counts),
    lookOn: isoOf(dayOf(today) + r.after_d),
  };
};

/** A trial before anything is seen: question, treatments, measure, day, what would count, and the plots to draw by lot. */
export function NewTrial({ done }: { done(): void }) {
  const { garden, ground, today, hands, run } = useGarden();
  const beds = ground.filter(isGrown);
  const form = useKeptForm(
    `trial ${garden.id}`,
    trialForm,
    {
      ...(readyFields(0, today) as Typed),
      bed: beds[0]?.id ?? '',
      blocks: '4',
      from: 'one end',
      to: 'the other end',
    },
    async (said) => {
      const id = hands.newId();
      const seed = [...id].reduce((n, ch) => (n * 31 + ch.charCodeAt(0)) >>> 0, 7);
      const drawn = await run(
        setTrial(hands, garden.id, {
          id,
          question: said.question || READY[Number(said.ready)]!.question,
          treatments: said.treatments,
          measure: said.measure,
          unit: MEASURE_WORDS[said.measure][1],
          lookOn: said.lookOn,
          counts: said.counts,
          ends: [said.from, said.to],
          drawnOn: today,
          planned: true,
          plots: drawLots(said.treatments.length, said.blocks, seed).map((p) => ({
            ...p,
            bedId: said.bed,
            value: null,
          })),
        }),
      );
      if (drawn) done();
      return drawn;
    },
  );
  if (!form) return null;
  return (
    <form
      className="border-walnut bg-paper flex flex-col gap-3 border-l-4 p-4"
      aria-label="A new trial"
      onSubmit={form.onSubmit}
    >
      <h2 className="font-display text-xl font-bold">A new trial</h2>
      <SelectField
        label="Begin from"
        options={READY.map((r, i) => [String(i), r.question] as const)}
        value={form.typed.ready}
        onChange={(i) => form.set(readyFields(Number(i), today))}
      />
      <TextField label="The question" {...form.field('question')} />
      <TextField
        label="What is compared"
        hint="The control, what you do anyway, first; one difference and no other between them."
        {...form.field('treatments')}
      />
      <WhatCounts form={form} />
      <Plots form={form} beds={beds.map((b) => [b.id, b.name] as const)} />
      <div className="flex gap-3">
        <button type="submit" className="btn btn-primary">
          Draw the lots
        </button>
        <button type="button" className="btn btn-ghost" onClick={done}>
          Leave it
        </button>
      </div>
    </form>
  );
}

/** Measure, day, and the difference that would change what is done. */
function WhatCounts({ form }: { form: KeptForm<Typed> }) {
  const [, unit] = MEASURE_WORDS[form.typed.measure];
  return (
    <div className="grid gap-3 sm:grid-cols-3">
      <SelectField
        label="What is measured"
        options={MEASURES.map((m) => [m, MEASURE_WORDS[m][0]] as const)}
        {...form.field('measure')}
      />
      <DateField label="On" {...form.field('lookOn')} />
      <TextField label={`A difference that counts${unit && `, ${unit}`}`} decimal {...form.field('counts')} />
    </div>
  );
}

/** Bed, blocks, and the gradient along which they lie. */
function Plots({ form, beds }: { form: KeptForm<Typed>; beds: (readonly [string, string])[] }) {
  const many = Math.round(Number(form.typed.blocks));
  return (
    <>
      <div className="grid gap-3 sm:grid-cols-4">
        <SelectField label="On bed" options={beds} {...form.field('bed')} />
        <TextField label="Blocks" decimal hint="Each holds every treatment once." {...form.field('blocks')} />
        <TextField label="The bed begins at" {...form.field('from')} />
        <TextField label="and ends at" hint="Wet end, tree, path." {...form.field('to')} />
      </div>
      {many >= 1 && many < 4 && (
        <p className="text-bark">
          {many === 1
            ? 'One pair gives a description, never a verdict.'
            : `${2 ** many / 2 > 10 ? '' : `With ${many} blocks even the plainest outcome turns up by chance in ${Math.round(200 / 2 ** many)} of 100 drawings. `}Five blocks can show a difference, if it is plain.`}
        </p>
      )}
    </>
  );
}
