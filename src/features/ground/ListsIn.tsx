import { useEffect, useMemo, useRef, useState } from 'react';
import { toldPlaces } from '../../core/ground/layOut.ts';
import { type DayOrder, orderOf } from '../../core/calendar/typedDay.ts';
import { type Failure } from '../../core/result/result.ts';
import { freshBed } from '../../questions/fresh.ts';
import { bringList, listWords } from '../../records/commands/bringList.ts';
import { bedsFromGeoJson } from '../../records/files/bedsFile.ts';
import { LARGEST, textOf } from '../../records/files/bytes.ts';
import {
  BED_COLUMNS,
  type Columns,
  guessDayOrder,
  guessList,
  readBedList,
  readSeedList,
  SEED_COLUMNS,
} from '../../records/files/listIn.ts';
import { type CsvTable, readTable } from '../../records/files/weatherCsv.ts';
import { saveBeds } from '../../records/verbs/verbs.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useDraft } from '../../ring/useDraft.ts';
import { failureWords } from '../../ui/failureWords.ts';
import { SelectField } from '../../ui/fields.tsx';
import { Field } from '../../ui/parts.tsx';
import { WhereItStands, Understood } from './ListShown.tsx';
import { type Kind, type ListRead } from './listRead.ts';

/** Beds with their crops, or seed on the shelf, from a table that is pasted or a file. What was understood is shown before anything is written. */
export function ListsIn({ tell }: { tell(f: Failure): void }) {
  const lists = useList();
  const { kind, text, take, table, columns, list } = lists;
  const open = useFile(take, tell);
  return (
    <section aria-labelledby="lists-title" className="border-warp mt-6 border-t pt-3">
      <h2 id="lists-title" className="font-display text-xl font-bold">
        Bring a list in
      </h2>
      <div className="mt-2 grid gap-3 sm:grid-cols-2">
        <SelectField<Kind>
          label="What is in it"
          value={kind}
          options={[
            ['beds', 'Beds, with what grows on them'],
            ['seed', 'Seed on the shelf'],
          ]}
          onChange={lists.setKind}
        />
        <Field label="Or bring many beds in at once" hint="CSV or GeoJSON.">
          {(id) => (
            <input
              id={id}
              type="file"
              className="file-input"
              accept=".csv,.tsv,.txt,.json,.geojson"
              onChange={(e) => {
                void open(e.target.files?.[0]);
                e.target.value = '';
              }}
            />
          )}
        </Field>
      </div>
      <div className="mt-3">
        <Field label="Paste it from a spreadsheet" hint={HINTS[kind]}>
          {(id) => (
            <textarea
              id={id}
              className="textarea w-full font-mono"
              rows={4}
              value={text}
              onChange={(e) => take(e.target.value)}
            />
          )}
        </Field>
      </div>
      {lists.problem && (
        <p role="alert" className="text-madder mt-2 font-semibold">
          {lists.problem}
        </p>
      )}
      {table && columns && list && (
        <div
          className="border-walnut bg-paper mt-3 border-l-4 p-3"
          aria-label="What was understood"
          role="group"
        >
          <p className="font-display text-2xl font-bold">{listWords(list)}</p>
          <WhereItStands
            kind={kind}
            headers={table.headers}
            columns={columns}
            setColumns={lists.setColumns}
            order={lists.order}
            setOrder={lists.setOrder}
          />
          <Understood list={list} means={lists.means} setMeans={lists.setMeans} />
          <PutIn list={list} done={() => take('')} />
        </div>
      )}
    </section>
  );
}

const HINTS: Record<Kind, string> = {
  beds: 'A first line that names the columns: bed, size, crop, planted, out. A bed may stand in several lines.',
  seed: 'A first line that names the columns: kind, weight, year.',
};

/** A pasted table as it is read: which column is which, how days are written, what unknown words mean. It is kept until it was put in or emptied. */
function useList() {
  const { garden, beds, today } = useGarden();
  const [kind, setKind] = useState<Kind>('beds');
  const [kept, keep, forget] = useDraft(`list for ${garden.id}`, '');
  const [table, setTable] = useState<CsvTable | null>(null);
  const [columns, setColumns] = useState<Columns | null>(null);
  const [order, setOrder] = useState<DayOrder>('dmy');
  const [means, setMeans] = useState<Record<string, string>>({});
  const [problem, setProblem] = useState('');
  const text = kept ?? '';
  function take(raw: string, as: Kind = kind) {
    if (raw === '') forget();
    else keep(raw);
    read(raw, as);
  }
  function read(raw: string, as: Kind) {
    setProblem('');
    if (raw.trim() === '') return setTable(null);
    const found = readTable(raw);
    if (!found.ok) {
      setTable(null);
      return setProblem(failureWords(found.failure));
    }
    const guessed = guessList(found.value, as === 'beds' ? BED_COLUMNS : SEED_COLUMNS);
    setTable(found.value);
    setColumns(guessed);
    setMeans({});
    setOrder(orderHere(found.value.rows.map((r) => r[guessed.planted] ?? '')));
  }
  // What was pasted before the page was closed is read again.
  const back = useRef(false);
  useEffect(() => {
    if (kept === undefined || back.current) return;
    back.current = true;
    if (kept !== '') read(kept, kind);
  });
  const { length, mass } = garden.units;
  const list = useMemo(() => {
    if (!table || !columns) return null;
    if (kind === 'seed')
      return readSeedList(table, columns, mass === 'imperial' ? 'oz' : 'g', Number(today.slice(0, 4)));
    const unit = length === 'imperial' ? 'ft' : 'm';
    return readBedList(table, { columns, order, unit, known: beds.map((b) => b.name), near: today, means });
  }, [table, columns, kind, order, beds, today, means, length, mass]);
  const chooseKind = (k: Kind) => {
    setKind(k);
    if (text) take(text, k);
  };
  return {
    kind,
    setKind: chooseKind,
    text,
    take,
    table,
    columns,
    setColumns,
    order,
    setOrder,
    means,
    setMeans,
    problem,
    list,
  };
}

/** The order days are written in, as they tell themselves; where they do not, as it is usual here. */
function orderHere(days: string[]): DayOrder {
  const told = guessDayOrder(days);
  const tells = told !== 'dmy' || days.some((d) => /^\s*(1[3-9]|2\d|3[01])\D/.test(d));
  return tells ? told : orderOf(navigator.language);
}

/** A file of a table, which is read as if it was pasted, or of shapes, which become beds at once. */
function useFile(take: (raw: string) => void, tell: (f: Failure) => void) {
  const { garden, beds, hands, run } = useGarden();
  return async (file: File | undefined) => {
    if (!file) return;
    const read = await textOf(file, LARGEST.table);
    if (!read.ok) return tell(read.failure);
    if (!/\.(geo)?json$/i.test(file.name)) return take(read.value);
    const shapes = bedsFromGeoJson(read.value);
    if (!shapes.ok) return tell(shapes.failure);
    const taken = shapes.value.find((b) => beds.some((x) => x.name === b.name));
    if (taken)
      return tell({ code: 'bed-twice', where: 'the file and the garden', facts: { name: taken.name } });
    const fresh = shapes.value.map((b, i) =>
      freshBed({ ...b, id: hands.newId(), gardenId: garden.id, order: beds.length + i }),
    );
    // What the file tells of where they lie is kept on the plan.
    const places = toldPlaces(beds, fresh, garden.north_deg);
    await run(
      saveBeds(
        hands,
        fresh.map((b) => ({ ...b, at: places.get(b.id) ?? null })),
      ),
    );
  };
}

/** Writes what was understood. */
function PutIn({ list, done }: { list: ListRead; done(): void }) {
  const { garden, today, hands, run } = useGarden();
  const some = list.beds.length + list.crops.length + list.seed.length > 0;
  const make = (b: ListRead['beds'][number], at: number) =>
    freshBed({ ...b, id: hands.newId(), gardenId: garden.id, order: at });
  const put = async () => {
    if (await run(bringList(hands, garden.id, list, make, today))) done();
  };
  return (
    <button type="button" className="btn btn-primary mt-3" disabled={!some} onClick={() => void put()}>
      Put {listWords(list)} in the garden
    </button>
  );
}
