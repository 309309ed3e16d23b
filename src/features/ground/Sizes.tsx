import { parseSize_m, parseLength_m } from '../../core/units/length.ts';
import { showLength } from '../../core/units/show.ts';
import type { Garden } from '../../records/types.ts';
import { CommittedField } from '../../ui/CommittedField.tsx';
import { Check, SelectField } from '../../ui/fields.tsx';
import { whole, yearOrNone, type OfThing, type ThingOf } from './thingOf.ts';

/** What is asked of a thing, by what it is. */
export function Sizes({ thing, garden, edit }: OfThing) {
  const size = { garden, edit: edit as OfThing<Sized>['edit'] };
  switch (thing.of) {
    case 'opaque-sheet':
      return (
        <>
          <Size thing={thing} {...size} />
          <SheetState thing={thing} edit={edit} />
        </>
      );
    case 'clear-film':
      return <Size thing={thing} {...size} />;
    case 'crimper-board':
      return <BoardSize thing={thing} garden={garden} edit={edit} />;
    case 'hen-pen':
      return (
        <>
          <Size thing={thing} {...size} />
          <div>
            <CommittedField
              label="Hens"
              shown={String(thing.hens)}
              read={whole(1, 500)}
              onCommit={(hens) => edit({ hens })}
              decimal
            />
            <Check
              label="They sleep in it"
              checked={thing.wholeDay}
              onChange={(wholeDay) => edit({ wholeDay })}
            />
          </div>
        </>
      );
    case 'pig-fence':
    case 'stock-fence':
      return (
        <CommittedField
          label="Animals"
          shown={String(thing.heads)}
          read={whole(1, 500)}
          onCommit={(heads) => edit({ heads })}
          decimal
        />
      );
    default:
      return <span className="text-bark">No size needed</span>;
  }
}

type Sized = ThingOf<'opaque-sheet'> | ThingOf<'clear-film'> | ThingOf<'hen-pen'>;

const unitOf = (garden: Garden) => (garden.units.length === 'imperial' ? 'ft' : 'm');

function Size({ thing: t, garden, edit }: OfThing<Sized>) {
  return (
    <CommittedField
      label={`Size of ${t.name.toLowerCase()}`}
      shown={`${showLength(t.width_m, garden.units)} x ${showLength(t.length_m, garden.units)}`}
      read={(text) => parseSize_m(text, unitOf(garden))}
      onCommit={edit}
    />
  );
}

function BoardSize({ thing: t, garden, edit }: OfThing<ThingOf<'crimper-board'>>) {
  return (
    <>
      <CommittedField
        label={`Length of ${t.name.toLowerCase()}`}
        shown={showLength(t.length_m, garden.units)}
        read={(text) => parseLength_m(text, unitOf(garden))}
        onCommit={(length_m) => edit({ length_m })}
      />
      <CommittedField
        label="Edges that press at once"
        shown={String(t.edges)}
        read={whole(1, 4)}
        onCommit={(edges) => edit({ edges })}
        decimal
      />
    </>
  );
}

/** What a sheet is made of, how dark it still is, and its age. */
function SheetState({ thing: t, edit }: Pick<OfThing<ThingOf<'opaque-sheet'>>, 'thing' | 'edit'>) {
  return (
    <div className="flex flex-col gap-2">
      <SelectField
        label="Cloth"
        value={t.sort}
        options={[
          ['film', 'Black film'],
          ['woven', 'Woven'],
          ['rubber', 'Rubber or folded double'],
        ]}
        onChange={(sort) => edit({ sort })}
      />
      <SelectField
        label="Held to the sun"
        value={t.grade}
        options={[
          ['sound', 'Dark all over'],
          ['pinholes', 'Points of light'],
          ['patched', 'Mended'],
          ['light-through', 'A glow comes through'],
        ]}
        onChange={(grade) => edit({ grade })}
      />
      <CommittedField
        label={`Year ${t.name.toLowerCase()} was bought`}
        shown={t.since === null ? '' : String(t.since)}
        read={yearOrNone}
        onCommit={(since) => edit({ since })}
        hint="Film gets brittle after some five summers: hold it to the sun every spring."
      />
    </div>
  );
}
