import { coverOfId, turns } from '../catalogue/catalogue.ts';
import { type Day } from '../core/calendar/day.ts';
import { type Candidate } from '../core/choose/sample.ts';

/** Shorter than this there is no time for two covers. */
const LEAST_GAP_D = 105;

/** Two covers in turn, where a gap is long enough for both. */
export const turnsFor = (freeDay: Day, plantDay: Day): Candidate[] =>
  plantDay - freeDay < LEAST_GAP_D
    ? []
    : turns.map((t) => {
        const first = coverOfId(t.first)!;
        const then = coverOfId(t.then)!;
        return {
          id: `${t.first}-then-${t.then}`,
          name: `${first.name}, then ${then.name.toLowerCase()}`,
          members: then.members,
          first,
        };
      });
