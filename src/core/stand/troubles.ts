/** Troubles of a bed that a cover can feed or starve. Which kinds do stands in the catalogue; general knowledge of the field, local advice outranks it. */
export const TROUBLES = [
  'clubroot',
  'white-mould',
  'root-knot',
  'slugs',
  'wireworm',
  'voles',
  'running-weeds',
  'annual-weeds',
] as const;
export type Trouble = (typeof TROUBLES)[number];

/** What a kind does to the troubles of a bed. */
export interface TroublesOfKind {
  /** They live on it, or hide in it. */
  feeds: readonly Trouble[];
  /** They go back under it. */
  starves: readonly Trouble[];
}
