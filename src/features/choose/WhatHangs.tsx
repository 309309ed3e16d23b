import { type Day } from '../../core/calendar/day.ts';
import { type Sample } from '../../core/choose/sample.ts';
import { type coverOf } from '../../questions/draft.ts';
import type { Bed } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { SelectField } from '../../ui/fields.tsx';
import { Hanging } from './Hanging.tsx';
import { type Hung, SHOWN } from './useHanging.ts';

/** The samples on their rod, one more by name, and all that fit. */
export function WhatHangs({
  hanging,
  samples,
  bed,
  freeDay,
  plantDay,
  draftOf,
}: {
  hanging: Hung;
  samples: Sample[];
  bed: Bed;
  freeDay: Day;
  plantDay: Day;
  draftOf(sample: Sample): ReturnType<typeof coverOf>;
}) {
  const { garden } = useGarden();
  const { able, hung, chosen, choose, late, pinned, pin, hangByName, all, setAll } = hanging;
  return (
    <>
      {hung.length > 0 && (
        <Hanging
          samples={hung}
          chosenId={chosen?.id ?? null}
          choose={choose}
          late={late}
          pinned={pinned}
          pin={pin}
          freeDay={freeDay}
          plantDay={plantDay}
          garden={garden}
          bed={bed}
          coverOf={draftOf}
        />
      )}
      {samples.length > 0 && (
        <div className="mt-3 max-w-xs">
          <SelectField
            label="Hang one by name"
            value=""
            options={[
              ['', 'any cover of the catalogue'],
              ...samples.map((s) => [s.id, s.name] as const).sort((a, b) => a[1].localeCompare(b[1])),
            ]}
            onChange={(id) => id && hangByName(id)}
          />
        </div>
      )}
      {able.length > SHOWN && (
        <button type="button" className="btn btn-sm mt-3" onClick={() => setAll(!all)}>
          {all
            ? `Show the best ${SHOWN} kinds of answer`
            : `Show all ${able.length} kinds of answer that fit`}
        </button>
      )}
    </>
  );
}
