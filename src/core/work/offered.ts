/** Shares of the usual time that are offered where somebody says how long a step took. */
const TIMES = [0.5, 1, 1.5, 2] as const;
/** Steps shorter than this are offered whole minutes instead: their shares would all be one. */
const SHORT_MIN = 4;
const SHORT = [1, 2, 5, 10];

/** Minutes to choose from for a step that usually takes `usual` minutes: whole, each once. */
export const offeredMinutes = (usual: number): number[] =>
  usual < SHORT_MIN ? SHORT : TIMES.map((t) => Math.round(usual * t));
