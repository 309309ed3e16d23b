/** More seed for every week past the best window, and the most that helps. Middle of the 10 to 15 % a week that growers use. */
const MORE_PER_WEEK = 0.125;
const MOST = 1.5;

/** Rate factor for sowing late. Worked figure: two weeks late asks for a quarter more. */
export const latenessFactor = (weeks: number): number =>
  Math.min(MOST, 1 + MORE_PER_WEEK * Math.max(0, weeks));
