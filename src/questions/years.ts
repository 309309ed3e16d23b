/**
 * Plausible years behind every odds that is shown, on all screens alike: from fewer, the same question would come out a little different. Only the build that
 * the journeys walk through is made with fewer (`VITE_PLAUSIBLE_YEARS`): they hold what is shown and kept, the tests of the core hold the odds.
 */
const USUAL = 200;
const built = (import.meta as { env?: Record<string, string | undefined> }).env?.VITE_PLAUSIBLE_YEARS;
export const PLAUSIBLE_YEARS = built ? Number(built) : USUAL;
