import { type Verdict } from '../../core/trial/verdict.ts';
import type { Trial } from '../../records/types.ts';

/** Ready questions, with what is compared, what is measured and what would count. */
export const READY: {
  question: string;
  treatments: string[];
  measure: Trial['measure'];
  after_d: number;
  counts: number;
}[] = [
  {
    question: 'Does a crimp do as well as a cut?',
    treatments: ['cut', 'crimp'],
    measure: 'green-again',
    after_d: 21,
    counts: 10,
  },
  {
    question: 'Is the sheet worth its while after a cut?',
    treatments: ['cut', 'cut and sheet'],
    measure: 'green-again',
    after_d: 28,
    counts: 10,
  },
  {
    question: 'Does sowing two weeks sooner cover more?',
    treatments: ['later', 'two weeks sooner'],
    measure: 'cover',
    after_d: 60,
    counts: 15,
  },
  {
    question: 'Does half as much seed again hold more weeds down?',
    treatments: ['usual rate', 'half as much again'],
    measure: 'weeds',
    after_d: 60,
    counts: 10,
  },
  {
    question: 'Does the mix do more than the one kind?',
    treatments: ['one kind', 'the mix'],
    measure: 'bulk',
    after_d: 200,
    counts: 0.3,
  },
  {
    question: 'Does undersowing cost the crop anything?',
    treatments: ['not undersown', 'undersown'],
    measure: 'harvest',
    after_d: 90,
    counts: 0.5,
  },
  {
    question: 'Does more mulch bring more harvest?',
    treatments: ['as it lies', 'mulch added'],
    measure: 'harvest',
    after_d: 90,
    counts: 0.5,
  },
];

export const MEASURE_WORDS: Record<Trait, [string, string]> = {
  'green-again': ['Green again', '%'],
  cover: ['Ground covered', '%'],
  weeds: ['Weed cover', '%'],
  plants: ['Plants', 'a frame'],
  harvest: ['Harvest', 'kg'],
  bulk: ['Bulk, weighed', 'kg'],
  other: ['Something else', ''],
};
type Trait = Trial['measure'];

const one = (x: number): string => String(Number(x.toFixed(Math.abs(x) < 10 ? 1 : 0)));

/** The verdict in plain words: a headline and what stands behind it. */
export function verdictWords(
  v: Verdict,
  trial: Pick<Trial, 'treatments' | 'unit' | 'counts' | 'planned'>,
  treatment: number,
  more: number | undefined,
): { head: string; lines: string[] } {
  const [a, b] = [trial.treatments[0]!, trial.treatments[treatment]!];
  const { unit } = trial;
  const by = `${one(Math.abs(v.difference))}${unit === '%' ? ' points' : ` ${unit}`}`;
  const way = v.difference > 0 ? 'more' : 'less';
  const range =
    Number.isFinite(v.low) && Number.isFinite(v.high)
      ? `, somewhere between ${one(v.low)} and ${one(v.high)}`
      : Number.isFinite(v.low) || Number.isFinite(v.high)
        ? `, ${Number.isFinite(v.low) ? `${one(v.low)} or more` : `${one(v.high)} or less`}`
        : '';
  const diff =
    v.difference === 0
      ? `${b} came to the same as ${a}${range}.`
      : `With ${b} it was ${by} ${way} than with ${a}${range}.`;
  const chance = trial.planned
    ? `By chance alone so big a difference turns up in ${v.p >= 0.995 ? 'every drawing' : `${Math.max(1, Math.round(v.p * 100))} of 100 drawings`} of the lots.`
    : `Shuffled at random, ${Math.max(1, Math.round(v.p * 100))} of 100 would differ as much.`;
  const settle = !trial.planned
    ? 'A trial with plots drawn by lot would tell.'
    : more === undefined
      ? 'A difference of this size would take more than a dozen blocks to show.'
      : more > v.blocks
        ? `${more - v.blocks} more ${more - v.blocks === 1 ? 'block' : 'blocks'} like these would settle a difference of this size 8 times in 10.`
        : '';
  const unplanned = trial.planned
    ? []
    : ['Nobody had set this comparison before looking, so it counts for less.'];
  const small =
    Math.abs(v.difference) < trial.counts
      ? [
          `It is less than the ${one(trial.counts)}${unit === '%' ? ' points' : ` ${unit}`} that would change what you do.`,
        ]
      : [];
  switch (v.says) {
    case 'description':
      return {
        head: 'One pair: a description, no verdict.',
        lines: [
          diff.replace(range, ''),
          'Plots differ by themselves; one pair cannot tell that from the treatment.',
        ],
      };
    case 'shown':
      return { head: `Shown: ${b} is ${way}.`, lines: [diff, chance, ...small, ...unplanned] };
    case 'likely':
      return {
        head: 'Probably, but not yet shown.',
        lines: [diff, chance, settle, ...small, ...unplanned].filter(Boolean),
      };
    case 'cannot':
      return {
        head: `Too few ${trial.planned ? 'plots' : 'covers'} to show anything.`,
        lines: [
          diff,
          `So few ${trial.planned ? 'plots' : 'covers'} could not have shown it whatever came: at best ${Math.round(v.leastP * 100)} of 100 drawings.`,
          settle,
        ].filter(Boolean),
      };
    case 'no-sign':
      return {
        head: 'No sign of a difference.',
        lines: [diff, chance, 'That is not the same as there being none.', settle, ...unplanned].filter(
          Boolean,
        ),
      };
  }
}
