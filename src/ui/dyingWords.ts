import { type Day } from '../core/calendar/day.ts';
import { type LookedAt } from '../core/work/crowns.ts';
import { type EndingGroup } from '../core/work/figures.ts';

interface DaySeen {
  day: Day;
  seen: string;
}

/** What a stand looks like after it was ended so, by days at 19 °C; the same for most kinds. */
export const AFTERWARDS: Record<LookedAt, DaySeen[]> = {
  cut: [
    { day: 1, seen: 'Tops wilt; stubs are wet.' },
    { day: 3, seen: 'Stub ends dry back. A leaf in the middle of a stub means the tip was below the blade.' },
    { day: 7, seen: 'Dead stubs are tan and hollow; living ones carry a shoot.' },
    { day: 14, seen: 'Sure: crowns come out brown and loose, or they grow.' },
  ],
  crimped: [
    { day: 1, seen: 'Flat and quite green: that says nothing yet.' },
    { day: 3, seen: 'Dull above the creases. Tips that bend up at a knee are alive.' },
    { day: 7, seen: 'Yellow-green. Half of what still looks green is dying.' },
    { day: 14, seen: 'Straw from the tip down; now a count is worth something.' },
  ],
  flamed: [
    { day: 1, seen: 'Limp and dark; a finger leaves a print.' },
    { day: 3, seen: 'Brown and papery, or a clean green blade pushes out a scorched tip.' },
    { day: 7, seen: 'Seedlings are gone. Green hearts will grow on: flame again, or another way.' },
    { day: 14, seen: 'What stands now lives.' },
  ],
  sheet: [
    { day: 3, seen: 'Green and limp.' },
    { day: 7, seen: 'Yellow, and long pale shoots where there was room.' },
    {
      day: 14,
      seen: 'White or slimy. Firm white shoots live; in cool weather green is still to be expected.',
    },
    { day: 21, seen: 'Brown mat; crowns soft right through.' },
  ],
  grazed: [
    { day: 1, seen: 'Bare stems and crowns.' },
    { day: 5, seen: 'Crowns with a new leaf will grow on.' },
    { day: 12, seen: 'What is green now needs another round or another way.' },
  ],
  frost: [
    { day: 1, seen: 'Glassy, then dark. Wait for a thaw of two days before judging.' },
    { day: 7, seen: 'Brown tops prove nothing: slice a crown.' },
    { day: 14, seen: 'White or cream inside lives; brown and glassy is dead.' },
  ],
  dug: [
    { day: 7, seen: 'Nothing should show.' },
    { day: 14, seen: 'Shoots through the soil come from pieces: hoe them on a dry day.' },
  ],
};

/** Where life shows first in each group of kinds, and what death looks like there. */
export const BY_GROUP: Record<EndingGroup, { lives: string; dying: string }> = {
  cereal: {
    lives: 'a green blade from the crown, or a stem tip that bends up at a node',
    dying: 'crease or stub brown and thin, nothing green at the base',
  },
  'regrow-grass': {
    lives: 'side shoots from base and nodes everywhere: then the way has failed, lay a sheet',
    dying: 'only stems that were past milk dry out',
  },
  'summer-grass': { lives: 'shoots from the lowest nodes', dying: 'pith brown, stems tan to the ground' },
  vine: {
    lives: 'a pale hooked shoot just under the soil, or a lying tip that turns up and flowers',
    dying: 'stem string-dry in several places, root soft',
  },
  'annual-clover': {
    lives: 'tiny folded leaves in the middle of the crown',
    dying: 'crown brown on top, white root gone grey',
  },
  perennial: {
    lives: 'new leaves from crown or runner: to be expected after anything but darkness or a spade',
    dying: 'crown brown and spongy inside',
  },
  'big-legume': { lives: 'shoots in the leaf scars of the stub', dying: 'stub black and dry to the ground' },
  brassica: {
    lives: 'small leaves round the shoulder of the root, flower shoots on the stub',
    dying: 'root top brown and soft, a smell of cabbage',
  },
  other: { lives: 'a pair of leaves in the lowest scar', dying: 'stub hollow and dry' },
};
