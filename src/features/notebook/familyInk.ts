/** Inks by which families are told apart in a plan. */
const FAMILY_INK = [
  'var(--color-leaf)',
  'var(--color-madder)',
  'var(--color-indigo)',
  '#7a5310',
  '#8a4460',
  '#3c6b66',
  'var(--color-bark)',
  '#4a3f7a',
];
/** Families by their English names. */
const FAMILY_NAMES: Record<string, string> = {
  Solanaceae: 'tomato family',
  Brassicaceae: 'cabbage family',
  Fabaceae: 'bean family',
  Cucurbitaceae: 'squash family',
  Amaryllidaceae: 'onion family',
  Apiaceae: 'carrot family',
  Asteraceae: 'lettuce family',
  Amaranthaceae: 'beet family',
  Poaceae: 'grasses',
  Lamiaceae: 'mint family',
  Malvaceae: 'okra family',
  Rosaceae: 'rose family',
  Asparagaceae: 'asparagus family',
  Polygonaceae: 'rhubarb family',
  Grossulariaceae: 'currant family',
  Convolvulaceae: 'sweet potato family',
};

/** A family as a gardener calls it. */
export const familyName = (family: string): string => FAMILY_NAMES[family] ?? family;

/** The ink of a family among those of a plan. */
export const inkOf = (families: readonly string[], family: string): string =>
  FAMILY_INK[families.indexOf(family) % FAMILY_INK.length] ?? 'var(--color-bark)';
