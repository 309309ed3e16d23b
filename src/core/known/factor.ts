/** One thing that is known and makes a cover fit better or worse here: the interface makes the sentence. */
export interface Factor {
  code:
    | 'too-warm'
    | 'too-cool'
    | 'never-chilled'
    | 'late-before-winter'
    | 'long-under-snow'
    | 'summer-through'
    | 'winter-through'
    | 'long-before-winter'
    | 'spring-kind'
    | 'thinned'
    | 'same-family'
    | 'family-before'
    | 'poor-before'
    | 'good-before'
    | 'trouble'
    | 'helps-against'
    | 'own-seed'
    | 'shaded'
    | 'residue-in-the-way'
    | 'thirsty'
    | 'bears-drought'
    | 'dry-ground'
    | 'wet-ground'
    | 'sod'
    | 'wants-light-ground'
    | 'little-known';
  /** Multiplies the fit. */
  times: number;
  facts: Record<string, number | string>;
}
