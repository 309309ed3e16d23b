import { wholeBeds } from '../../core/bed/pieces.ts';
import { onEarth } from '../../core/ground/earth.ts';
import { fail, ok } from '../../core/result/result.ts';
import { type Bed, type Mark } from '../types.ts';
import { type Done, type Hands, meta } from '../verbs/verbs.ts';
import { piecesAfter } from './pieces.ts';
import { type Wish, writeFrom } from '../write.ts';

// Deeds on the plan of the garden.

/** Beds that get a place, a turn or another shape, in one write; steps of one movement are one entry. Fails with `bed-gone`. */
export const placeBeds = (
  hands: Hands,
  gardenId: string,
  placed: readonly {
    id: string;
    patch: Partial<Pick<Bed, 'at' | 'width_m' | 'length_m' | 'area_m2' | 'ring'>>;
  }[],
  label: string,
  joins = false,
): Done =>
  writeFrom(hands.db, { ...meta(hands, gardenId, 'place-beds', label), joins }, async () => {
    const north_deg = (await hands.db.gardens.get(gardenId))?.north_deg ?? 0;
    const wishes: Wish[] = [];
    for (const { id, patch } of placed) {
      const stands = await hands.db.beds.get(id);
      if (!stands) return fail('bed-gone');
      const put = { ...stands, ...patch, place: placeOf(stands, patch, north_deg) };
      wishes.push({ table: 'beds', put }, ...(await piecesAfter(hands, put)));
    }
    return ok(wishes);
  });

/** Where the things of one kind stand in a bed, m from its middle. Fails with `bed-gone`, or `thing-gone` where it was taken away meanwhile. */
export const placeInBed = (
  hands: Hands,
  of: Pick<Bed, 'id' | 'gardenId' | 'name' | 'obstacles'>,
  nth: number,
  spots: readonly (readonly [number, number])[],
  joins = false,
): Done =>
  writeFrom(
    hands.db,
    {
      ...meta(
        hands,
        of.gardenId,
        'place-in-bed',
        `${of.obstacles[nth]?.name ?? 'something'} in bed ${of.name}`,
      ),
      joins,
    },
    async () => {
      const stands = await hands.db.beds.get(of.id);
      if (!stands) return fail('bed-gone');
      const thing = stands.obstacles[nth];
      if (!thing || thing.name !== of.obstacles[nth]?.name) return fail('thing-gone');
      const obstacles = stands.obstacles.map((o, i) =>
        i === nth ? { ...o, spots: spots.map(([x, y]): [number, number] => [x, y]) } : o,
      );
      return ok([{ table: 'beds', put: { ...stands, obstacles } }]);
    },
  );

/** Where a bed lies on the earth once it is moved on the plan: moved alike. Of another shape it lies where the plan says, and no longer as a file told. */
function placeOf(stands: Bed, patch: Partial<Bed>, north_deg: number): Bed['place'] {
  const { place, at } = stands;
  if (!place || 'ring' in patch || 'area_m2' in patch) return null;
  if (!at || !patch.at) return place;
  const [lon, lat] = onEarth([patch.at.x_m, patch.at.y_m], {
    earth: place,
    plan: [at.x_m, at.y_m],
    north_deg,
  });
  return [lon, lat];
}

/** Puts something on the plan beside the beds, or changes it; `patch` null takes it away. Fails with `garden-gone`. */
export const changeMark = (
  hands: Hands,
  gardenId: string,
  id: string,
  patch: Mark | Partial<Mark> | null,
  label: string,
  joins = false,
): Done =>
  writeFrom(hands.db, { ...meta(hands, gardenId, 'change-mark', label), joins }, async () => {
    const garden = await hands.db.gardens.get(gardenId);
    if (!garden) return fail('garden-gone');
    const { marks } = garden;
    const stands = marks.find((m) => m.id === id);
    const next =
      patch === null
        ? marks.filter((m) => m.id !== id)
        : stands
          ? marks.map((m) => (m.id === id ? { ...m, ...patch } : m))
          : [...marks, patch as Mark];
    return ok([{ table: 'gardens', put: { ...garden, marks: next } }]);
  });

/** The order in which beds are walked past and hang in the cloth. Beds that are not named stand behind, as they stood. */
export const orderBeds = (hands: Hands, gardenId: string, ids: readonly string[]): Done =>
  writeFrom(hands.db, meta(hands, gardenId, 'order-beds', 'the order of the beds'), async () => {
    const beds = await hands.db.beds.where({ gardenId }).toArray();
    const rank = (b: Bed) => {
      const i = ids.indexOf(b.id);
      return i < 0 ? ids.length : i;
    };
    const sorted = wholeBeds(beds).sort((a, b) => rank(a) - rank(b) || a.order - b.order);
    const places = new Map(sorted.map((b, order) => [b.id, order]));
    // Pieces stay beside each other behind their bed.
    const orderOf = (b: Bed) =>
      b.piece ? (places.get(b.piece.of) ?? sorted.length) + (b.order % 1) : places.get(b.id)!;
    return ok(
      beds.flatMap((b): Wish[] => {
        const order = orderOf(b);
        return b.order === order ? [] : [{ table: 'beds', put: { ...b, order } }];
      }),
    );
  });
