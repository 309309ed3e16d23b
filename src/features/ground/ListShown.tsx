import { crops } from '../../catalogue/catalogue.ts';
import { type DayOrder } from '../../core/calendar/typedDay.ts';
import { BED_COLUMNS, type BadLine, type Columns, SEED_COLUMNS } from '../../records/files/listIn.ts';
import { SelectField } from '../../ui/fields.tsx';
import { type Kind, LABELS, KEEP, type ListRead } from './listRead.ts';

const WHY: Record<BadLine['why'], (given: string) => string> = {
  many: () => 'five hundred beds at a time are the most',
  bed: () => 'has no name of a bed',
  size: (g) => `"${g}" is no size of a bed`,
  planted: (g) => `"${g}" is no planting day`,
  out: (g) => `"${g}" is no day`,
  order: (g) => `it goes out before it is planted (${g})`,
  overlap: (g) => `two crops on one bed at once (${g})`,
  kind: (g) => `"${g}" is no kind known here`,
  weight: (g) => `"${g}" is no weight`,
  year: (g) => `"${g}" is no year`,
};

const SHOWN_ROWS = 5;

const SHOWN_BAD = 8;

/** Which column of the table is which, as it was guessed; each can be put right. */
export function WhereItStands({
  kind,
  headers,
  columns,
  setColumns,
  order,
  setOrder,
}: {
  kind: Kind;
  headers: readonly string[];
  columns: Columns;
  setColumns(columns: Columns): void;
  order: DayOrder;
  setOrder(order: DayOrder): void;
}) {
  return (
    <div className="mt-2 grid grid-cols-2 gap-3 sm:grid-cols-4">
      {(kind === 'beds' ? BED_COLUMNS : SEED_COLUMNS).map((c) => (
        <SelectField
          key={c}
          label={`${LABELS[c]} stands in`}
          value={String(columns[c])}
          options={[
            ['-1', 'no column'] as const,
            ...headers.map((h, i) => [String(i), h || `column ${i + 1}`] as const),
          ]}
          onChange={(at) => setColumns({ ...columns, [c]: Number(at) })}
        />
      ))}
      {kind === 'beds' && columns.planted >= 0 && (
        <SelectField<DayOrder>
          label="Days are written"
          value={order}
          options={[
            ['dmy', 'day, month, year'],
            ['mdy', 'month, day, year'],
            ['ymd', 'year, month, day'],
          ]}
          onChange={setOrder}
        />
      )}
    </div>
  );
}

/** What is put in the garden, what its unknown words mean, and what is left out. */
export function Understood({
  list,
  means,
  setMeans,
}: {
  list: ListRead;
  means: Record<string, string>;
  setMeans(means: Record<string, string>): void;
}) {
  return (
    <>
      <ul className="mt-3">
        {list.beds.slice(0, SHOWN_ROWS).map((b) => (
          <li key={b.name}>
            Bed <b>{b.name}</b>, {b.area_m2.toFixed(1)} m²
            {list.crops
              .filter((c) => c.bed === b.name)
              .map((c) => `; ${c.word.toLowerCase()} ${c.plantOn} to ${c.clearOn ?? '?'}`)
              .join('')}
          </li>
        ))}
        {list.beds.length > SHOWN_ROWS && <li>and {list.beds.length - SHOWN_ROWS} more beds</li>}
      </ul>
      {list.unknown.map((word) => (
        <div key={word} className="mt-2 max-w-sm">
          <SelectField
            label={`"${word}" is`}
            value={means[word] ?? KEEP}
            options={[[KEEP, 'kept under its own name'], ...crops.map((c) => [c.id, c.name] as const)]}
            onChange={(id) => setMeans({ ...means, [word]: id })}
          />
        </div>
      ))}
      {list.bad.length > 0 && (
        <ul className="text-madder mt-2" aria-label="Left out">
          {list.bad.slice(0, SHOWN_BAD).map((b) => (
            <li key={b.line}>
              Line {b.line} is left out: {WHY[b.why](b.given)}.
            </li>
          ))}
          {list.bad.length > SHOWN_BAD && <li>and {list.bad.length - SHOWN_BAD} more lines</li>}
        </ul>
      )}
    </>
  );
}
