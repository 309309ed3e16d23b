import { useMemo, useState } from 'react';
import { type ForecastInput } from '../../core/plan/standing.ts';
import { openQuestions, type SchoolId } from '../../core/termination/schools.ts';
import { choicesHere } from '../../questions/methods.ts';
import { changeBed, changeGarden } from '../../records/commands/change.ts';
import type { Bed } from '../../records/types.ts';
import { useAnswer } from '../../ring/answers.ts';
import { useGarden } from '../../ring/garden.tsx';
import { Check } from '../../ui/fields.tsx';
import { SCHOOL_WORDS } from '../../ui/schoolWords.ts';
import { AIM_FIGURES } from '../../ui/aimFigures.ts';
import { type Hung } from './useHung.ts';

interface Props {
  hung: Hung;
  bed: Bed;
  asked: ForecastInput;
  /** The aim whose figure is told beside the odds. */
  aim: string;
}

/** A question on which good growers disagree, asked the first time it decides something: both sides with their reasons, and what each does on this bed. */
export function Schools({ hung, bed, asked, aim }: Props) {
  const { garden, hands, run } = useGarden();
  const [here, setHere] = useState(false);
  const question = openQuestions(hung.method, choicesHere(garden, bed))[0];
  const text = useMemo(
    () =>
      question
        ? JSON.stringify({ asked, startDay: hung.ending.startDay, ways: question.ways.map(([, way]) => way) })
        : '',
    [asked, hung.ending.startDay, question],
  );
  const { answer } = useAnswer('variants', text, { quick: true });
  if (!question) return null;
  const words = SCHOOL_WORDS[question.id];
  const settle = (id: SchoolId, side: string) =>
    void run(
      here
        ? changeBed(hands, bed, (b) => ({ choices: { ...b.choices, [id]: side } }))
        : changeGarden(hands, garden.id, 'a house rule', (g) => ({ choices: { ...g.choices, [id]: side } })),
    );
  const figure = AIM_FIGURES[aim];
  return (
    <section aria-label={words.question} className="border-walnut mt-4 border-2 p-3">
      <h3 className="font-display text-lg font-bold">{words.question}</h3>
      <p className="text-bark text-sm">Good growers disagree. What it comes to on this bed:</p>
      {question.ways.map(([side, way], i) => {
        const [name, why] = words.sides[side]!;
        const e = answer?.[i];
        return (
          <div key={side} className="border-linen mt-2 border-t pt-2">
            <button type="button" className="btn btn-sm" onClick={() => settle(question.id, side)}>
              {name}
            </button>
            <p>{why}</p>
            <p className="font-semibold">
              {way.missing.length > hung.method.missing.length
                ? 'Then this way is ruled out.'
                : e
                  ? `${Math.round(e.odds.inTime * 100)} of 100 ready${figure ? `, ${figure.show(figure.of(e).mid, garden.units)} ${figure.name}` : ''}`
                  : '…'}
              {way.proposed === false && hung.method.proposed !== false && ' It is no longer put forward.'}
            </p>
          </div>
        );
      })}
      <Check label={`Only on bed ${bed.name}`} checked={here} onChange={setHere} />
    </section>
  );
}
