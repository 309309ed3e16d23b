import { dayOf, isoOf } from '../../core/calendar/day.ts';
import { type Member } from '../../core/stand/species.ts';
import { type Spread } from '../../core/random/quantile.ts';
import { useStages } from '../../ring/useStages.ts';
import { DateInput } from '../../ui/DateInput.tsx';
import { showDay, showSpan } from '../../ui/dates.ts';

const STAGE_ROWS = [
  ['bud', 'Bud or boot'],
  ['flower', 'Half in flower'],
  ['milk', 'Milk or green pod'],
  ['seed', 'First ripe seed'],
] as const;

/** When it comes up, closes and flowers at this garden's site, from a sowing day of the gardener's choice. */
export function StageCalendar({
  members,
  sowOn,
  setSowOn,
  valid,
}: {
  members: Member[];
  sowOn: string;
  setSowOn(iso: string): void;
  valid: boolean;
}) {
  const { stand, failure } = useStages(members, valid ? sowOn : null);
  const first = valid ? dayOf(sowOn) : 0;
  return (
    <section className="mt-6">
      <div className="flex flex-wrap items-end gap-4">
        <h2 className="font-display text-xl font-bold">Its calendar here</h2>
        <span className="flex items-center gap-2 whitespace-nowrap">
          <span aria-hidden="true">Sown on</span>
          <DateInput label="Sown on" className="input max-w-36" value={sowOn} onChange={setSowOn} />
        </span>
        {['03-25', '06-01', '08-20', '09-20'].map((md) => {
          const iso = `${sowOn.slice(0, 4)}-${md}`;
          return (
            <button key={md} type="button" className="btn btn-sm" onClick={() => setSowOn(iso)}>
              {showDay(dayOf(iso))}
            </button>
          );
        })}
      </div>
      {failure && <p role="alert">{failure}</p>}
      {!stand && !failure && <p role="status">Growing 100 plausible years…</p>}
      {stand && (
        <div className="mt-2 overflow-x-auto">
          <table className="table max-w-4xl">
            <thead>
              <tr>
                <th scope="col">Kind</th>
                <th scope="col">What</th>
                <th scope="col">Middle year</th>
                <th scope="col">8 years of 10</th>
                <th scope="col" className="w-2/5">
                  From {showDay(first)} to {showDay(first + SHOWN_D)}
                </th>
              </tr>
            </thead>
            <tbody>
              <Row kind="All" what="Up" spread={stand.emerged} first={first} />
              <Row kind="All" what="Ground closed" spread={stand.closed} first={first} />
              {stand.stages.map((s, i) =>
                STAGE_ROWS.map(([key, label]) => (
                  <Row
                    key={`${s.speciesId}${key}`}
                    kind={members[i]!.species.name}
                    what={label}
                    spread={s[key]}
                    first={first}
                  />
                )),
              )}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}

/** The bar shows a year from sowing. */
const SHOWN_D = 330;

function Row({ kind, what, spread, first }: { kind: string; what: string; spread: Spread; first: number }) {
  const at = (d: number) => `${Math.max(0, Math.min(100, ((d - first) / SHOWN_D) * 100))}%`;
  const reached = Number.isFinite(spread.mid);
  const high = Number.isFinite(spread.high) ? spread.high : first + SHOWN_D;
  return (
    <tr>
      <th scope="row" className="font-normal">
        {kind}
      </th>
      <td>{what}</td>
      <td className="font-bold whitespace-nowrap">{reached ? showDay(spread.mid) : 'not in most years'}</td>
      <td className="whitespace-nowrap">
        {Number.isFinite(spread.low) ? showSpan(spread.low, spread.high) : 'hardly ever'}
      </td>
      <td>
        {Number.isFinite(spread.low) && (
          <span className="bg-linen relative block h-3" title={isoOf(Math.round(spread.low))}>
            <span
              className="bg-leaf absolute inset-y-0"
              style={{ left: at(spread.low), right: `calc(100% - ${at(high)})`, minWidth: 3 }}
            />
            {reached && (
              <span className="bg-walnut absolute inset-y-0 w-0.5" style={{ left: at(spread.mid) }} />
            )}
          </span>
        )}
      </td>
    </tr>
  );
}
