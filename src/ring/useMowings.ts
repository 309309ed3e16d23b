import { useMemo } from 'react';
import { type Day } from '../core/calendar/day.ts';
import { type Mowing } from '../core/strips/mowing.ts';
import { mowingInput } from '../questions/strips.ts';
import { PLAUSIBLE_YEARS } from '../questions/years.ts';
import { useAfterPaint } from './afterPaint.ts';
import { useAnswers } from './answers.ts';
import { useGarden } from './garden.tsx';

/** How the living paths of the garden grow, by piece; a path is missing until its answer is there, or where nobody said what it is made of. */
export function useMowings(): ReadonlyMap<string, Mowing> {
  const ring = useGarden();
  const painted = useAfterPaint();
  const asked = useMemo(
    () =>
      painted
        ? ring.beds.flatMap((b) => {
            const input = mowingInput(b, ring, ring.today, PLAUSIBLE_YEARS);
            return input ? [{ id: b.id, text: JSON.stringify(input) }] : [];
          })
        : [],
    [ring, painted],
  );
  const all = useAnswers(
    'mowing',
    asked.map((a) => a.text),
  );
  return useMemo(
    () =>
      new Map(
        asked.flatMap(({ id }, i) => {
          const answer = all[i]?.answer;
          return answer ? [[id, answer] as const] : [];
        }),
      ),
    [asked, all],
  );
}

/** Days on which paths are due to be mown. */
export const mowDays = (mowings: ReadonlyMap<string, Mowing>): ReadonlyMap<string, Day> =>
  new Map([...mowings].flatMap(([id, m]) => (m.cuts[0] ? [[id, m.cuts[0].mid] as const] : [])));
