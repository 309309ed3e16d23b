import { useState } from 'react';
import { dayOf } from '../../core/calendar/day.ts';
import type { Cover } from '../../records/types.ts';
import { showIsoYear } from '../../ui/dates.ts';
import { DateField } from '../../ui/fields.tsx';
import { PASS_WORDS } from '../../ui/methodWords.ts';

/** The chosen way as dated steps, each logged when done, and the look that proves the cover dead. */
export function WorkPlan({
  cover,
  today,
  save,
}: {
  cover: Cover;
  today: string;
  save(c: Cover, label: string): void;
}) {
  const [on, setOn] = useState(today);
  const next = cover.passes.findIndex((p) => !p.doneOn);
  const last = cover.passes.at(-1)!;
  const checkOn = last.doneOn && dayOf(last.doneOn) > dayOf(on) ? last.doneOn : on;
  return (
    <section aria-labelledby="work-plan">
      <h2 id="work-plan" className="font-display text-xl font-bold">
        Work plan
      </h2>
      {cover.verdict !== 'dead' && (
        <div className="max-w-xs">
          <DateField label="Day it was done or seen" value={on} onChange={setOn} />
        </div>
      )}
      <ol className="mt-1 max-w-2xl">
        {cover.passes.map((p, i) => (
          <li key={i} className="border-linen border-t py-2">
            <b>
              {i + 1}. {PASS_WORDS[p.kind]?.title ?? p.kind}
            </b>{' '}
            {p.doneOn ? (
              <span>done {showIsoYear(p.doneOn)}</span>
            ) : (
              <span className="text-bark">due {showIsoYear(p.due)}</span>
            )}
            <p>{PASS_WORDS[p.kind]?.how}</p>
            {i === next && cover.sownOn && (
              <button
                type="button"
                className="btn btn-primary mt-1"
                onClick={() =>
                  save(
                    { ...cover, passes: cover.passes.map((q, k) => (k === i ? { ...q, doneOn: on } : q)) },
                    PASS_WORDS[p.kind]?.title.toLowerCase() ?? p.kind,
                  )
                }
              >
                Log it done: {PASS_WORDS[p.kind]?.title.toLowerCase()}
              </button>
            )}
          </li>
        ))}
      </ol>
      {next === -1 && cover.verdict !== 'dead' && (
        <div className="mt-3">
          <h3 className="font-bold">The look afterwards</h3>
          <p className="max-w-2xl">
            Part the mat in five places. Dead crowns are brown, soft and pull out; white or green at the base
            grows on.
          </p>
          <div className="mt-2 flex flex-wrap gap-3">
            <button
              type="button"
              className="btn btn-primary"
              onClick={() => save({ ...cover, verdict: 'dead', endedOn: checkOn }, 'seeing it dead')}
            >
              It is dead
            </button>
            <button
              type="button"
              className="btn"
              onClick={() =>
                save(
                  {
                    ...cover,
                    verdict: 'regrew',
                    passes: [...cover.passes, { kind: 'cut', due: on, doneOn: null }],
                  },
                  'regrowth, one more cut',
                )
              }
            >
              Some grew again: add a cut
            </button>
          </div>
        </div>
      )}
    </section>
  );
}
