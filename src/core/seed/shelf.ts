/** Seed in the cupboard. */
export interface ShelfLot {
  id: string;
  speciesId: string;
  left_g: number;
  /** Share of it that is living seed that comes up: germination x purity x bare share. */
  live: number;
  treated: boolean;
}

/** What one bed asks for, as living seed. */
export interface BedNeed {
  bedId: string;
  coverId: string;
  speciesId: string;
  viable_g: number;
  /** Edible or grazed: treated seed must not go there. */
  untreatedOnly: boolean;
}

export interface Drawn {
  lotId: string;
  coverId: string;
  speciesId: string;
  /** Weight taken from the lot, g. */
  take_g: number;
  viable_g: number;
}

/** Living seed still wanting after the shelf was emptied, g, by species, and what was drawn from where. */
export interface FromShelf {
  drawn: Drawn[];
  wanting_g: Map<string, number>;
}

/**
 * Serves beds in the order given from the lots of each kind, weakest seed first so that good seed keeps, and tells what is wanting.
 * What one bed leaves of a lot is there for the next.
 */
export function drawFromShelf(needs: readonly BedNeed[], lots: readonly ShelfLot[]): FromShelf {
  const left = new Map(lots.map((l) => [l.id, l.left_g]));
  const drawn: Drawn[] = [];
  const wanting_g = new Map<string, number>();
  for (const need of needs) {
    let open = need.viable_g;
    const fit = lots
      .filter((l) => l.speciesId === need.speciesId && l.live > 0 && !(l.treated && need.untreatedOnly))
      .sort((a, b) => a.live - b.live || a.id.localeCompare(b.id));
    for (const lot of fit) {
      if (open <= 1e-9) break;
      const take_g = Math.min(left.get(lot.id)!, open / lot.live);
      if (take_g <= 0) continue;
      left.set(lot.id, left.get(lot.id)! - take_g);
      open -= take_g * lot.live;
      drawn.push({
        lotId: lot.id,
        coverId: need.coverId,
        speciesId: need.speciesId,
        take_g,
        viable_g: take_g * lot.live,
      });
    }
    if (open > 1e-9) wanting_g.set(need.speciesId, (wanting_g.get(need.speciesId) ?? 0) + open);
  }
  return { drawn, wanting_g };
}
