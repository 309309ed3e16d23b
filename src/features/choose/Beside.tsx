import { dayOf } from '../../core/calendar/day.ts';
import { type Sample } from '../../core/choose/sample.ts';
import { seedHere } from '../../questions/seedHere.ts';
import type { Bed } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { seedHereWords } from '../../ui/packetWords.ts';
import { Alter } from './Alter.tsx';
import { BlockTicks } from './Block.tsx';
import { SampleSide } from './SampleSide.tsx';
import { type GapForm } from './useGapForm.ts';
import { type Hung } from './useHanging.ts';
import { OWN_ID, ownFrom, type useOwn } from './useOwn.ts';
import { type Putting } from './usePutting.ts';

/** Everything about the chosen sample, beside the rod. */
export function Beside({
  bed,
  form,
  hanging,
  mine,
  putting,
  sample,
}: {
  bed: Bed;
  form: GapForm;
  hanging: Hung;
  mine: ReturnType<typeof useOwn>;
  putting: Putting;
  sample: Sample;
}) {
  const { garden, recipes, lots, today } = useGarden();
  const { sharers, ticked, setTicked, beds, draftOf, put } = putting;
  const plantDay = dayOf(form.plantOn);
  const own = sample.id === OWN_ID;
  const here = form.question?.methods ?? [];
  const alter = () => {
    mine.setOwn(ownFrom(sample));
    hanging.choose(OWN_ID);
  };
  const drafts = beds.map((on) => ({ cover: draftOf(sample, on), bed: on }));
  return (
    <SampleSide
      wayId={form.wayId}
      alter={
        mine.own &&
        own && (
          <Alter
            own={mine.own}
            setOwn={mine.setOwn}
            sample={mine.sample}
            freeDay={dayOf(form.free)}
            plantDay={plantDay}
            here={here}
            units={garden.units}
            done={() => mine.setOwn(null)}
          />
        )
      }
      sample={sample}
      units={garden.units}
      methodsHere={here}
      putLabel={ticked.size > 0 ? `Put this on ${ticked.size + 1} beds` : `Put this on bed ${bed.name}`}
      plantDay={plantDay}
      years={sample.years}
      late={hanging.late.has(sample.id)}
      like={hanging.like}
      onPut={() => void put(sample)}
      seed={seedHereWords(seedHere(sample, drafts, { recipes, lots }, today), garden.units)}
      onAlter={own ? undefined : alter}
    >
      <BlockTicks sharers={sharers} ticked={ticked} setTicked={setTicked} />
    </SampleSide>
  );
}
