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
  mow: { title: 'Mow', how: 'High first where it stands tall, then as low as the ground allows.' },
  flail: { title: 'Flail', how: 'Slowly, low, twice over where it is thick.' },
  'lay-cardboard': {
    title: 'Lay the cardboard',
    how: 'Wet it, lap the joints by a hand, hold it down with compost or hay. Peek after the days named here.',
  },
  'lay-film': {
    title: 'Lay the clear film',
    how: 'On moist, smooth ground, tight to the soil, edges buried a hand deep.',
  },
  flame: { title: 'Flame', how: 'Walking pace; a leaf is done when a finger leaves a dark print on it.' },
  hens: { title: 'Hens on', how: 'Six to ten hen-days on each square metre, moved daily; log the last day.' },
  pigs: { title: 'Pigs on', how: 'Move them on the day the ground is turned, sooner if rain comes.' },
  graze: { title: 'Graze', how: 'Hay first, then the bed; off again before they tread it bare.' },
  bury: {
    title: 'Turn and bury',
    how: 'Tops in the bottom of the spit, soil over them, until no green shows.',
  },
  'compost-over': { title: 'Cover with compost', how: 'Ten centimetres, level, over the cut stand.' },
  'rake-off': {
    title: 'Rake off',
    how: 'Take the tops off with a wide rake; weigh a barrow so that you know what left the bed.',
  },
  hoe: { title: 'Hoe off', how: 'Just under the surface, on a dry, windy day; leave it to wilt.' },
  'mow-high': {
    title: 'Trim high',
    how: 'Above half its height, before seed ripens; what falls stays as mulch.',
  },
  'take-hay': {
    title: 'Take hay',
    how: 'Cut a hand high, let it wilt, turn it, carry it off dry; weigh it.',
  },
  'pick-shoots': {
    title: 'Pick shoots',
    how: 'The tender ends alone, above the next leaf; weigh the basket. Wash what is eaten, and eat only kinds that are food.',
  },
  'set-plants': {
    title: 'Set the plants',
    how: 'Part the cut stand where each plant goes, firm it in, water it, close the mulch to a hand from the stem.',
  },
  pull: { title: 'Pull', how: 'Root and all, after rain; shake the soil off over the bed.' },
  'check-heat': {
    title: 'Look whether heat ended it',
    how: 'Brown to the crown, nothing green at the base.',
  },
  'check-seed': {
    title: 'Look for ripe seed',
    how: 'Pods rattle, heads rub out; then let it stand and fall.',
  },
  check: {
    title: 'Look whether frost ended it',
    how: 'Part the leaves and look at the crowns; brown tops alone prove nothing.',
  },
};

export const METHOD_SHORT: Record<string, string> = {
  cut: 'cut once',
  'cut-twice': 'cut twice',
  'cut-rake': 'cut, rake off',
  'cut-plant': 'cut and plant',
  'flail-once': 'flail once',
  hoe: 'hoe off',
  'mow-keep': 'mow and keep',
  crimp: 'crimp',
  sheet: 'sheet',
  winterkill: 'frost',
  dig: 'dig in',
  'turn-in': 'turn in',
  mow: 'mow once',
  'mow-twice': 'mow twice',
  flail: 'flail',
  'crimp-sheet': 'crimp + sheet',
  'cut-sheet': 'cut + sheet',
  cardboard: 'cardboard',
  'clear-film': 'clear film',
  flame: 'flame',
  'crimp-flame': 'crimp + flame',
  hens: 'hens',
  pigs: 'pigs',
  graze: 'graze',
  till: 'till in',
  'bury-raised': 'bury',
  compost: 'compost over',
  summerkill: 'heat',
  'let-seed': 'let seed',
  pull: 'pull',
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
