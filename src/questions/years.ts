/** Plausible years behind every odds that is shown, on all screens alike: from fewer, the same question would come out a little different. */
export const PLAUSIBLE_YEARS = 200;
