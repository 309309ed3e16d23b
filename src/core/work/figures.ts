/** Grades of danger to an animal that eats or chews it: 0 none known, 1 with care, 2 keep off at some stage, 3 never. */
export type Harm = 0 | 1 | 2 | 3;
export type AnimalKind = 'dogs' | 'poultry' | 'horses' | 'stock' | 'pigs';

export const ENDING_GROUPS = [
  'cereal',
  'regrow-grass',
  'summer-grass',
  'vine',
  'annual-clover',
  'perennial',
  'big-legume',
  'brassica',
  'other',
] as const;
/** Kinds that die and recover alike. */
export type EndingGroup = (typeof ENDING_GROUPS)[number];

/** What blades, boards and animals make of a kind. */
export interface EndingFigures {
  id: string;
  group: EndingGroup;
  /** Crushed and dug in fresh it gasses the ground. */
  biofumigant?: boolean;
  /** Highest stubble that kills while it is leafy, and from the stage on at which a cut kills; null where no height does; below nothing: under the soil. */
  stubbleLeafy_cm: number | null;
  stubble_cm: number | null;
  /** Lowest stubble from which it surely grows on. */
  stubbleKeep_cm: number | null;
  /** Thickness of a stem 5 cm above the soil, in flower. */
  stem_mm: [number, number];
  /** 1 soft, 2 firm, 3 tough, 4 woody: leafy, in flower, ripe. */
  hardness: [number, number, number];
  /** Force of one edge that kinks few stems and all, N/cm: at bud or boot, flower, milk, dough; null where it was never worked out. */
  press_N_cm: [number, number][] | null;
  harms: Record<AnimalKind, Harm> | null;
}
