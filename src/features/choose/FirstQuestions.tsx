import { useState } from 'react';
import { crops } from '../../catalogue/catalogue.ts';
import { type AimStrands } from '../../core/aims/aims.ts';
import { DateField, SelectField } from '../../ui/fields.tsx';
import { type GapForm } from './useGapForm.ts';

/** A worry in a gardener's words, and the strands it comes to. */
const WORRIES: [string, AimStrands[]][] = [
  [
    'Weeds get ahead of me',
    [
      { id: 'smother', strands: 3 },
      { id: 'hold', strands: 2 },
    ],
  ],
  [
    'The soil is tired, crops look pale',
    [
      { id: 'feed', strands: 3 },
      { id: 'bulk', strands: 1 },
    ],
  ],
  [
    'It washes or bakes when it is bare',
    [
      { id: 'hold', strands: 3 },
      { id: 'bulk', strands: 2 },
    ],
  ],
  [
    'It is hard below the spade',
    [
      { id: 'loosen', strands: 3 },
      { id: 'hold', strands: 1 },
    ],
  ],
  [
    'I have little time and no machine',
    [
      { id: 'ease', strands: 3 },
      { id: 'hold', strands: 2 },
    ],
  ],
  [
    'I want bees and other helpers',
    [
      { id: 'flowers', strands: 3 },
      { id: 'hold', strands: 1 },
    ],
  ],
  [
    'I do not know yet',
    [
      { id: 'hold', strands: 2 },
      { id: 'feed', strands: 2 },
      { id: 'ease', strands: 1 },
    ],
  ],
];
const CROPS = crops.map((c) => [c.id, c.name] as const);
const QUESTIONS = 3;

/** Three questions for a beginner; the answers fill the same screen that everyone uses. */
export function FirstQuestions({
  form,
  setAims,
  done,
}: {
  form: GapForm;
  setAims(aims: AimStrands[]): void;
  done(): void;
}) {
  const [at, setAt] = useState(1);
  const next = () => (at === QUESTIONS ? done() : setAt(at + 1));
  return (
    <section
      className="border-walnut bg-paper mt-3 max-w-2xl border-l-4 p-4"
      aria-label="A few questions first"
    >
      <p className="text-bark text-sm">
        Question {at} of {QUESTIONS}
      </p>
      {at === 1 && (
        <>
          <h2 className="font-display text-2xl font-bold">When is the bed empty?</h2>
          <div className="mt-2 max-w-xs">
            <DateField label="Ground free on" value={form.free} onChange={form.setFree} />
          </div>
        </>
      )}
      {at === 2 && (
        <>
          <h2 className="font-display text-2xl font-bold">
            What do you want to grow there afterwards, and when?
          </h2>
          <div className="mt-2 grid max-w-md gap-3 sm:grid-cols-2">
            <SelectField
              label="What comes next"
              value={form.nextId}
              options={CROPS}
              onChange={form.setNextId}
            />
            <DateField label="Planting day" value={form.plantOn} onChange={form.setPlantOn} />
          </div>
          <p className="text-bark mt-2 text-sm">
            Not sure of the day? Take the middle of the weeks in which you would plant it.
          </p>
        </>
      )}
      {at === 3 && (
        <>
          <h2 className="font-display text-2xl font-bold">What troubles this bed most?</h2>
          <div className="mt-2 flex flex-col items-start gap-2">
            {WORRIES.map(([words, aims]) => (
              <button
                key={words}
                type="button"
                className="btn justify-start"
                onClick={() => {
                  setAims(aims);
                  done();
                }}
              >
                {words}
              </button>
            ))}
          </div>
        </>
      )}
      <div className="mt-4 flex gap-3">
        {at > 1 && (
          <button type="button" className="btn btn-sm" onClick={() => setAt(at - 1)}>
            Back
          </button>
        )}
        {at < QUESTIONS && (
          <button
            type="button"
            className="btn btn-primary btn-sm"
            onClick={next}
            disabled={at === 2 && !form.valid}
          >
            Go on
          </button>
        )}
        <button type="button" className="btn btn-ghost btn-sm" onClick={done}>
          Leave the questions
        </button>
      </div>
      {at === 2 && !form.valid && (
        <p role="alert" className="text-madder mt-2 text-sm font-semibold">
          Planting must be 28 to 500 days after the bed is empty.
        </p>
      )}
    </section>
  );
}
