import { type Day } from '../../core/calendar/day.ts';
import { type Sample } from '../../core/choose/sample.ts';
import { showDay } from '../../ui/dates.ts';
import { METHOD_SHORT } from '../../ui/methodWords.ts';
import { laterWords } from '../../ui/changeWords.ts';

/** On a phone the answer comes first, large: what, when, how it ends and how sure that is. */
export function Answer({
  sample,
  plantDay,
  late,
  putLabel,
  onPut,
}: {
  sample: Sample;
  plantDay: Day;
  late: boolean;
  putLabel: string;
  onPut(): void;
}) {
  const { best, first } = sample;
  const way = best ? (METHOD_SHORT[best.method] ?? best.method) : '';
  return (
    <section className="border-walnut bg-paper mt-2 border-l-4 p-3 sm:hidden" aria-label="The answer">
      <p className="font-display text-2xl leading-tight font-bold">{sample.name}</p>
      <p className="mt-1">
        {first && `First from ${showDay(first.sowDay)}, then sow `}
        {first ? '' : 'Sow '}
        <b>{showDay(sample.sowDay)}</b>
        {best && (
          <>
            , {way === 'frost' ? 'ended by frost about' : way} <b>{showDay(best.startDay)}</b>
          </>
        )}
        .
      </p>
      {best && (
        <p className={late ? 'text-madder font-semibold' : ''}>
          {late
            ? `Not ready by ${showDay(plantDay)}; ${laterWords(sample, plantDay)}.`
            : `Ready by ${showDay(plantDay)} in ${Math.round(best.odds.inTime * 100)} years of 100.`}
        </p>
      )}
      <button type="button" className="btn btn-primary mt-2 min-h-11" onClick={onPut}>
        {putLabel}
      </button>
    </section>
  );
}
