import { datedPasses } from '../../core/plan/passes.ts';
import { type Proposal, type ShareChange } from '../../core/share/types.ts';
import { plantBackDay } from '../../questions/cover.ts';
import { methodsHere } from '../../questions/methods.ts';
import { predictedOf } from '../../questions/predicted.ts';
import { takeProposal, type Taken } from '../../records/commands/share.ts';
import { type Thing, usualThing } from '../../records/things.ts';
import { useGarden } from '../../ring/garden.tsx';

type Wanted = NonNullable<Proposal['wanted']>;
export type Take = (changes: ShareChange[], wanted: Wanted[], label: string) => void;

/** Takes a way round a clash into the plans: covers end otherwise, and what has to be borrowed is written down as asked for. */
export function useTake(): Take {
  const { garden, beds, covers, plantings, today, hands, run } = useGarden();
  const borrowed = (wanted: Wanted[]): Thing[] => {
    const things: Thing[] = [];
    for (const w of wanted) {
      const thing = usualThing(w.of, hands.newId(), [...garden.things, ...things]);
      const sized = thing.of === 'opaque-sheet' || thing.of === 'clear-film';
      const size = sized && w.width_m && w.length_m ? { width_m: w.width_m, length_m: w.length_m } : {};
      things.push({ ...thing, ...size, borrowed: true, asked: true } as Thing);
    }
    return things;
  };
  const taken = (c: ShareChange): Taken[] => {
    const cover = covers.find((x) => x.id === c.coverId);
    const bed = beds.find((b) => b.id === cover?.bedId);
    const method = bed && methodsHere(garden, bed).find((m) => m.id === c.method);
    if (!cover || !method) return [];
    const passes = method.passes.map((p, i) => ({ ...p, after_d: c.after_d[i] ?? p.after_d }));
    return [
      {
        coverId: c.coverId,
        chosen: {
          method: c.method,
          passes: datedPasses(passes, c.ending, plantBackDay(cover, plantings) + c.plantBy_d),
          predicted: predictedOf(c.ending, today),
        },
        // What is only wished for cannot be set aside yet.
        thingIds: c.thingIds.filter((id) => garden.things.some((t) => t.id === id)),
        plantBy_d: c.plantBy_d,
      },
    ];
  };
  return (changes, wanted, label) =>
    void run(takeProposal(hands, garden.id, changes.flatMap(taken), borrowed(wanted), today, label));
}
