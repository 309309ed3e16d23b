/** Words of the field, each in two sentences where it stands. */
export const TERMS = {
  odds: [
    'Odds',
    'Kilim grows each cover through many plausible years here: weather like yours, and seed and soil that differ a little. 93 of 100 means that in 93 of 100 such years it comes off.',
  ],
  nitrogen: [
    'Nitrogen for what follows',
    'What the cover sets free for the next crop in its first weeks, above what the same bed would have given left bare. Below nought it takes from the crop at first.',
  ],
  residue: [
    'Residue',
    'What is left lying of the cover on planting day, dry weight. About 600 g on a square metre holds annual weeds back for two months.',
  ],
  closed: [
    'Ground closed',
    'The day on which leaves cover four fifths of the bed. From then on few weeds come up.',
  ],
  weeds: [
    'Weeds held',
    'How much less weed there is on planting day, by weight, than had the bed been left bare all the time.',
  ],
  boot: [
    'Swollen sheath',
    'A grass about to show its ear: the ear is felt as a swelling in the top leaf’s sheath. Cut before it, rye grows again; crimped before pollen, it stands up again.',
  ],
  crown: [
    'Crown',
    'Where leaves and roots meet, at the ground. A plant lives on from there: a crown that is firm and pale green inside is alive whatever its leaves look like.',
  ],
  check: [
    'Check on small seed',
    'Fresh residue of rye, mustard and some others lets out what keeps small seed from sprouting. It fades within weeks; large seed and plants hardly feel it.',
  ],
  tied: [
    'Nitrogen tied up',
    'What rots straw takes nitrogen out of the soil first and gives it back later. Until then a hungry crop wants feed, or time.',
  ],
  pests: [
    'Pests of green residue',
    'Slugs, cutworms and the maggots of bean and corn flies come to fresh green that lies or is turned in. They are gone when it has browned.',
  ],
  viable: [
    'Living seed',
    'Seed that comes up: what is on the scale times germination, times purity. Rates are meant for it, so old or dirty seed weighs more.',
  ],
  hard: [
    'Hard seed',
    'Seed with a coat that lets no water in: it lives, but sleeps for a year or for many. A test counts it as living; for this sowing it does not count.',
  ],
  throws: [
    'Throws',
    'The seed of a bed parted into equal lots, each thrown over the whole of it, one walked lengthwise, the next across. Two even out most of what a hand does wrong.',
  ],
} as const satisfies Record<string, readonly [string, string]>;
export type TermId = keyof typeof TERMS;
