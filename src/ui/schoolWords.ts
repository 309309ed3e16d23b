import { type SchoolId } from '../core/termination/schools.ts';

interface SchoolWords {
  question: string;
  /** Name and reason of each side, in the order of the core. */
  sides: Record<string, [name: string, why: string]>;
}

/** Where good growers disagree, each side in its own right. */
export const SCHOOL_WORDS: Record<SchoolId, SchoolWords> = {
  'mow-sheet': {
    question: 'Mow before the sheet goes on?',
    sides: {
      flatten: [
        'Flatten it whole',
        'The mat stays for the next crop to be set into; a hollow tangle takes a few days longer.',
      ],
      mow: [
        'Mow first',
        'The sheet lies on the soil and fine seed or tape can follow; the mat is gone sooner.',
      ],
    },
  },
  'crimp-times': {
    question: 'Press once or twice?',
    sides: {
      twice: [
        'Twice',
        'A board gives half of what a field roller does: the second pass catches what stood up again.',
      ],
      once: [
        'Once, at its time',
        'At milk, on firm soil, one pass is enough; a second ruffles the mat and opens it to weeds.',
      ],
    },
  },
  'off-bed': {
    question: 'May what grew leave the bed?',
    sides: {
      'may-leave': [
        'It may',
        'Straw and hay are worth more elsewhere, and a bare bed takes small seed; pay it back as compost.',
      ],
      stays: [
        'It stays',
        'What a bed grew feeds that bed; every barrow that leaves takes nitrogen and potash along.',
      ],
    },
  },
  reseed: {
    question: 'May a cover seed itself?',
    sides: {
      never: ['Never', 'Next year it is a weed, and a legume gives its nitrogen to the seed.'],
      may: [
        'It may, where it is wanted',
        'The next cover sows itself for nothing, buckwheat and clover above all.',
      ],
    },
  },
  chop: {
    question: 'Chopped fine or left long?',
    sides: {
      fine: ['Fine is right at times', 'It rots within weeks, lets drip lines and small seed through.'],
      long: ['Left long', 'Long straw lies as mulch for half the summer; shreds are gone when weeds come.'],
    },
  },
  'mat-alone': {
    question: 'Is the mat enough by itself?',
    sides: {
      enough: ['It is enough', 'A thick mat smothers, and nothing has to be bought or carried.'],
      'cover-it': [
        'Cover it',
        'Thin places let weeds through by midsummer; sheet, board or compost on top is surer.',
      ],
    },
  },
  wilt: {
    question: 'Dig in at once or let it wilt?',
    sides: {
      fresh: ['At once', 'Fresh tops give most nitrogen, and mustard its gas.'],
      wilted: ['Wilted for three days', 'Less slime, fewer flies, lighter to turn.'],
    },
  },
  roots: {
    question: 'May roots be pulled?',
    sides: {
      'may-pull': [
        'They may',
        'A quick, sure end for a few soft plants; give what is carried off back as compost.',
      ],
      stay: [
        'They stay',
        'Roots rot into channels and feed what lives there; a pulled bed slumps and crusts.',
      ],
    },
  },
  debris: {
    question: 'Does what was cut stay lying where a crop was sick?',
    sides: {
      keep: [
        'It stays',
        'Few diseases pass from a cover to another family, and the mat feeds and shelters the soil.',
      ],
      clear: [
        'It is cleared',
        'Mould, slugs and voles winter under a mat: only ways that carry it off or cover it are put forward.',
      ],
    },
  },
  'new-ground': {
    question: 'Is new or hard ground dug first?',
    sides: {
      'dig-first': [
        'Dug in its first years',
        'A spade opens raw clay and sod in a season where roots take several.',
      ],
      never: [
        'Never dug',
        'Roots and what lies on top open it more slowly, and nothing that lives there is turned under.',
      ],
    },
  },
  'goes-over': {
    question: 'Compost over what still lives?',
    sides: {
      'over-green': ['Over the cut stand', 'A hand deep smothers it, and planting follows within the week.'],
      'after-kill': [
        'Only on what is dead',
        'Through a thin place rye and roots come up again, fed; and the compost is spent on killing.',
      ],
    },
  },
  stagger: {
    question: 'End it in one day or in thirds?',
    sides: {
      'one-day': ['In one day', 'One date, one look afterwards, one crop that can go in.'],
      thirds: [
        'In thirds',
        'Something always flowers for bees and good insects, and planting can follow in waves.',
      ],
    },
  },
  eating: {
    question: 'Is anything of a cover eaten?',
    sides: {
      'soil-alone': ['It feeds the soil alone', 'Every pod and shoot taken takes nitrogen with it.'],
      'table-too': [
        'Shoots and pods come to the table',
        'A welcome harvest in the hungry weeks; then only untreated seed is offered.',
      ],
    },
  },
};
