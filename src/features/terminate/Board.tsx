import { methods } from '../../catalogue/catalogue.ts';
import type { Bed, Cover } from '../../records/types.ts';
import { Apart, NowOrLater } from './Apart.tsx';
import { Lanes } from './Lanes.tsx';
import { LastWeeks } from './LastWeeks.tsx';
import { Schools } from './Schools.tsx';
import { SidePlan } from './SidePlan.tsx';
import { type EndingHere } from './useEnding.ts';

/** The ways to end it side by side, with the plan of the one that is looked at; nothing until they are worked out. */
export function Board({ cover, bed, at }: { cover: Cover; bed: Bed; at: EndingHere }) {
  const { garden, last, ways, aims, plantDay, begun, side, asked, stagger } = at;
  if (!last || !ways.best) return null;
  return (
    <div className="mt-2 grid gap-6 lg:grid-cols-[minmax(0,1fr)_18.5rem]">
      <div className="min-w-0">
        <LastWeeks
          ways={ways}
          parts={cover.parts}
          last={last}
          aims={aims}
          plantDay={plantDay}
          shown={side?.method.id ?? ''}
          show={at.show}
        />
        {!begun && <NowOrLater last={last} plantDay={plantDay} units={garden.units} />}
        <Apart last={last} units={garden.units} stagger={stagger} />
        {side && asked && !begun && (
          <Lanes
            asked={asked}
            method={side.method.id}
            name={methods.find((m) => m.id === side.method.id)!.name}
            aims={aims}
            area_m2={bed.area_m2}
            units={garden.units}
          />
        )}
      </div>
      {side && (
        <aside className="border-linen lg:border-l lg:pl-5">
          <SidePlan
            hung={side}
            plantDay={plantDay}
            chosen={!begun && side.method.id === cover.method && !side.moved}
            choose={() => at.choose(side)}
          />
          {asked && <Schools hung={side} bed={bed} asked={asked} aim={aims[0]?.id ?? 'feed'} />}
        </aside>
      )}
    </div>
  );
}
