import { LARGEST, textOf } from '../records/files/bytes.ts';
import { useState } from 'react';
import { isoOf } from '../core/calendar/day.ts';
import { type ObservedDay } from '../core/weather/generate.ts';
import {
  type BadRow,
  type CsvTable,
  type WeatherColumns,
  guessColumns,
  readDays,
  readTable,
} from '../records/files/weatherCsv.ts';
import { failureWords } from '../ui/failureWords.ts';
import { SelectField } from '../ui/fields.tsx';
import { Field } from '../ui/parts.tsx';

const WHY: Record<BadRow['why'], string> = {
  swapped: 'the lowest is above the highest',
  date: 'date not read',
  temperature: 'a temperature is missing',
  range: 'a value no weather has',
  twice: 'the day is there twice',
};

/** Reads a station's file: the gardener says which column is which and sees the first days as understood. */
export function WeatherFile({ onDays, hint }: { onDays(days: ObservedDay[] | null): void; hint: string }) {
  const [table, setTable] = useState<CsvTable | null>(null);
  const [columns, setColumns] = useState<WeatherColumns | null>(null);
  const [problem, setProblem] = useState('');
  const read = table && columns ? readDays(table, columns) : null;

  const settle = (t: CsvTable, c: WeatherColumns) => {
    setColumns(c);
    const r = readDays(t, c);
    setProblem(r.ok ? '' : failureWords(r.failure));
    onDays(r.ok ? r.value.days : null);
  };
  const open = async (file: File | undefined) => {
    if (!file) return;
    const text = await textOf(file, LARGEST.table);
    const t = text.ok ? readTable(text.value) : text;
    if (!t.ok) {
      setTable(null);
      onDays(null);
      return setProblem(failureWords(t.failure));
    }
    setTable(t.value);
    settle(t.value, guessColumns(t.value));
  };
  return (
    <div className="flex flex-col gap-3">
      <Field label="Daily weather, CSV" hint={hint}>
        {(id) => (
          <input
            id={id}
            type="file"
            accept=".csv,.txt,text/csv"
            className="file-input"
            onChange={(e) => void open(e.target.files?.[0])}
          />
        )}
      </Field>
      {problem && (
        <p role="alert" className="text-madder font-semibold">
          {problem}
        </p>
      )}
      {table && columns && (
        <Reading table={table} columns={columns} set={(c) => settle(table, { ...columns, ...c })} />
      )}
      {read?.ok && <Understood {...read.value} />}
    </div>
  );
}

const HOLDS = [
  ['date', 'Date'],
  ['tmin', 'Lowest'],
  ['tmax', 'Highest'],
  ['rain', 'Rain'],
] as const;

/** Which column holds what, and how days and figures are written. */
function Reading({
  table,
  columns,
  set,
}: {
  table: CsvTable;
  columns: WeatherColumns;
  set(part: Partial<WeatherColumns>): void;
}) {
  const headers = [
    ['-1', 'choose a column'] as const,
    ...table.headers.map((h, i) => [String(i), h || `column ${i + 1}`] as const),
  ];
  return (
    <div className="grid gap-3 sm:grid-cols-4">
      {HOLDS.map(([key, label]) => (
        <SelectField
          key={key}
          label={label}
          value={String(columns[key])}
          options={headers}
          onChange={(at) => set({ [key]: Number(at) })}
        />
      ))}
      <SelectField<WeatherColumns['dateOrder']>
        label="Date order"
        value={columns.dateOrder}
        options={[
          ['ymd', 'year month day'],
          ['dmy', 'day month year'],
          ['mdy', 'month day year'],
        ]}
        onChange={(dateOrder) => set({ dateOrder })}
      />
      <SelectField<WeatherColumns['temperature']>
        label="Temperature in"
        value={columns.temperature}
        options={[
          ['c', '°C'],
          ['f', '°F'],
        ]}
        onChange={(temperature) => set({ temperature })}
      />
      <SelectField<WeatherColumns['rainUnit']>
        label="Rain in"
        value={columns.rainUnit}
        options={[
          ['mm', 'mm'],
          ['in', 'inches'],
        ]}
        onChange={(rainUnit) => set({ rainUnit })}
      />
    </div>
  );
}

const SHOWN_DAYS = 4;
const SHOWN_BAD = 3;

/** The first days as they were read, and rows that were left out. */
function Understood({ days, bad }: { days: ObservedDay[]; bad: BadRow[] }) {
  return (
    <div>
      <p className="font-semibold">
        Understood: {days.length} days
        {bad.length > 0 && `, ${bad.length} rows left out`}
      </p>
      <table className="table-sm mt-1 table max-w-md">
        <thead>
          <tr>
            <th>Day</th>
            <th>Lowest °C</th>
            <th>Highest °C</th>
            <th>Rain mm</th>
          </tr>
        </thead>
        <tbody>
          {days.slice(0, SHOWN_DAYS).map((d) => (
            <tr key={d.day}>
              <td>{isoOf(d.day)}</td>
              <td>{d.tmin_c.toFixed(1)}</td>
              <td>{d.tmax_c.toFixed(1)}</td>
              <td>{d.rain_mm.toFixed(1)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {bad.slice(0, SHOWN_BAD).map((b) => (
        <p key={b.line} className="text-bark text-sm">
          Line {b.line}: {WHY[b.why]}
        </p>
      ))}
    </div>
  );
}
