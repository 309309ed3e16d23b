/** What a gardener does in each pass, and the short name of each way of ending. */
export const PASS_WORDS: Record<string, { title: string; how: string }> = {
  cut: {
    title: 'Cut at soil level',
    how: 'Cut every stem at the ground, lay the tops on the bed, leave the roots.',
  },
  crimp: {
    title: 'Crimp',
    how: 'Short steps, all one way; kink each stem low, twice if it stands up again.',
  },
  flatten: { title: 'Flatten', how: 'Tread or roll the stand flat so that the sheet lies on the soil.' },
  'lay-sheet': {
    title: 'Lay the sheet',
    how: 'Water first if dry. Black side up, edges sealed, 4 to 6 kg a metre, more in wind; half a metre past the bed.',
  },
  'lift-sheet': {
    title: 'Lift the sheet',
    how: 'Peek first: pale and soft crowns that pull out are dead. Look for slugs and sheltering animals.',
  },
  dig: { title: 'Dig in', how: 'Turn the cut tops under, roots up, until no green shows.' },
  check: {
    title: 'Look whether frost ended it',
    how: 'Part the leaves and look at the crowns; brown tops alone prove nothing.',
  },
};

export const METHOD_SHORT: Record<string, string> = {
  cut: 'cut once',
  'cut-twice': 'cut twice',
  crimp: 'crimp',
  sheet: 'sheet',
  winterkill: 'frost',
  dig: 'dig in',
};

export const STAGE_WORDS: Record<string, { name: string; look: string }> = {
  leafy: { name: 'Leafy', look: 'Leaves and tillers only; no bud or swelling can be felt in the stem.' },
  bud: {
    name: 'Bud or boot',
    look: 'Grasses: a swelling in the top sheath. Others: closed buds to be seen.',
  },
  flower: {
    name: 'In flower',
    look: 'Grasses: yellow anthers hang out and dust comes off. Others: every second plant has open flowers.',
  },
  milk: { name: 'Milk or green pod', look: 'Squeeze a kernel: white milk. Pods are full length and flat.' },
  seed: {
    name: 'Hard seed',
    look: 'Kernels dent under a nail or are hard; pods rattle, clover heads rub out dark seed.',
  },
};

export const stageWord = (n: number): string =>
  n < 1
    ? 'not up yet'
    : STAGE_WORDS[
        ['leafy', 'leafy', 'bud', 'flower', 'milk', 'seed'][Math.min(5, Math.floor(n))]!
      ]!.name.toLowerCase();
