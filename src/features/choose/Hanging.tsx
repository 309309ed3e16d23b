import { type Day } from '../../core/calendar/day.ts';
import { Pin } from 'lucide-react';
import { type Sample } from '../../core/choose/sample.ts';
import type { Bed, Cover, Garden } from '../../records/types.ts';
import { laterWords } from '../../ui/changeWords.ts';
import { PLAUSIBLE_YEARS } from '../../questions/years.ts';
import { Figures } from './Figures.tsx';
import { COLUMN, LEFT, Samples } from './Samples.tsx';

interface Props {
  samples: Sample[];
  chosenId: string | null;
  choose(id: string): void;
  /** Samples that are not ready on planting day and hang by a later one. */
  late: ReadonlySet<string>;
  pinned: ReadonlySet<string>;
  pin(id: string): void;
  freeDay: Day;
  plantDay: Day;
  garden: Garden;
  bed: Bed;
  coverOf(sample: Sample): Cover;
}

const FROM_WORDS = { mix: 'your mix', packet: 'your packet', shelf: 'on your shelf' } as const;

/** Names, hanging samples and figures, column under column. */
export function Hanging({ samples, chosenId, choose, late, pinned, pin, freeDay, plantDay, ...rest }: Props) {
  return (
    <div className="mt-3 overflow-x-auto" tabIndex={0} role="region" aria-label="Samples in the gap">
      <div style={{ width: LEFT + samples.length * COLUMN }}>
        <div className="flex" style={{ paddingLeft: LEFT }}>
          {samples.map((s) => (
            <div key={s.id} className="flex flex-col justify-end text-center" style={{ width: COLUMN }}>
              <button
                type="button"
                aria-pressed={s.id === chosenId}
                onClick={() => choose(s.id)}
                className={`px-1 text-sm leading-tight ${s.id === chosenId ? 'font-bold underline' : ''}`}
                style={{ minHeight: 40 }}
              >
                {s.name}
                {s.from && <span className="text-bark block text-xs font-normal">{FROM_WORDS[s.from]}</span>}
                {late.has(s.id) && (
                  <span className="text-madder block text-xs font-semibold">{laterWords(s, plantDay)}</span>
                )}
              </button>
              <button
                type="button"
                aria-label={`${pinned.has(s.id) ? 'Unpin' : 'Pin'} ${s.name.toLowerCase()}`}
                aria-pressed={pinned.has(s.id)}
                className="mx-auto flex h-7 w-10 items-center justify-center"
                onClick={() => pin(s.id)}
              >
                <Pin size={15} strokeWidth={1.5} fill={pinned.has(s.id) ? 'var(--color-madder)' : 'none'} />
              </button>
            </div>
          ))}
        </div>
        <Samples
          samples={samples}
          chosen={chosenId}
          onChoose={choose}
          freeDay={freeDay}
          plantDay={plantDay}
        />
        <Figures samples={samples} chosenId={chosenId} years={PLAUSIBLE_YEARS} {...rest} />
      </div>
    </div>
  );
}
