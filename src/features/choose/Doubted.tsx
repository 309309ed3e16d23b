import { type Day } from '../../core/calendar/day.ts';
import { type Sample } from '../../core/choose/sample.ts';
import { showDay } from '../../ui/dates.ts';

/** Asks before a plan that hardly ever works goes on a bed, with the better choice beside it. */
export function Doubted({
  sample,
  better,
  plantDay,
  crop,
  put,
  plantOn,
  show,
}: {
  sample: Sample;
  better: Sample | undefined;
  plantDay: Day;
  crop: string;
  put(): void;
  plantOn(day: Day): void;
  show(id: string): void;
}) {
  const of100 = (s: Sample) => Math.round((s.best?.odds.inTime ?? 0) * 100);
  const later = sample.changes.find((c) => c.kind === 'plant-later');
  return (
    <div role="alert" className="border-madder my-3 border-l-4 pl-4">
      <p>
        <b>{sample.name}</b> is out of the way in time in only {of100(sample)} years of 100.
        {better && better.id !== sample.id && ` ${better.name} is in ${of100(better)}.`}
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        {later && (
          <button type="button" className="btn btn-primary" onClick={() => plantOn(plantDay + later.days)}>
            Plant {crop} on {showDay(plantDay + later.days)} instead: {Math.round(later.odds * 100)} of 100
          </button>
        )}
        {better && better.id !== sample.id && (
          <button
            type="button"
            className={`btn ${later ? '' : 'btn-primary'}`}
            onClick={() => show(better.id)}
          >
            Show {better.name.toLowerCase()}
          </button>
        )}
        <button type="button" className="btn" onClick={put}>
          Put {sample.name.toLowerCase()} on all the same
        </button>
      </div>
    </div>
  );
}
