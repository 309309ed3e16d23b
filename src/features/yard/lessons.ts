/** A minute each: what to set, what to do, what to see. */
export interface Lesson {
  id: string;
  title: string;
  say: string;
  set: { passes: number; unsteadiness: number; wind: number; speciesId: string };
  see: string;
}

export const LESSONS: Lesson[] = [
  {
    id: 'one-heavy',
    title: 'One heavy throw',
    say: 'All seed in one walk, lengthways. Watch where the first handfuls go.',
    set: { passes: 1, unsteadiness: 0.5, wind: 0, speciesId: 'cereal-rye' },
    see: 'A full fist at the start is missing at the end, and nothing comes after it to fill in.',
  },
  {
    id: 'two-crossed',
    title: 'Two light ones, crossed',
    say: 'Half of the seed lengthways, half crosswise. The same hand, the same seed.',
    set: { passes: 2, unsteadiness: 0.5, wind: 0, speciesId: 'cereal-rye' },
    see: 'What one throw left thin the other fills. Bare squares fall by about half.',
  },
  {
    id: 'four-crossed',
    title: 'Four, and why not more',
    say: 'Quarter portions. Better again, but by less.',
    set: { passes: 4, unsteadiness: 0.5, wind: 0, speciesId: 'cereal-rye' },
    see: 'Each doubling takes less off: edges and walking lines stay as they are however often you cross them.',
  },
  {
    id: 'small-seed',
    title: 'Small seed in wind',
    say: 'Clover in a breeze of four metres a second, two crossed throws.',
    set: { passes: 2, unsteadiness: 0.3, wind: 4, speciesId: 'crimson-clover' },
    see: 'Light seed drifts off the bed. Bulk it with damp sand, throw low, or wait for a still evening.',
  },
  {
    id: 'large-seed',
    title: 'Few large seeds',
    say: 'Field beans: thirty seeds to the square metre, not hundreds.',
    set: { passes: 2, unsteadiness: 0.3, wind: 0, speciesId: 'fava-bean' },
    see: 'However steady the hand, few seeds lie unevenly: that is chance, not skill. Rows suit them better.',
  },
];
