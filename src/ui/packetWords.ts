import { speciesOf } from '../catalogue/catalogue.ts';
import { type PacketUse, type SeedHere } from '../core/seed/packet.ts';
import { showSeed, type UnitChoice } from '../core/units/show.ts';

/** What the packet comes to on this bed, as sentences. */
export function packetWords(
  use: PacketUse,
  units: UnitChoice,
  weighed: boolean,
): { weigh: string; more: string } {
  const throws = use.throws_g[0]!;
  const halves =
    use.throws_g.length === 2
      ? `in two halves of ${showSeed(throws, units)}, one walked along the bed, one across`
      : `in ${use.throws_g.length} throws of ${showSeed(throws, units)}`;
  switch (use.verdict) {
    case 'open':
      return {
        weigh: `${showSeed(use.sow_g, units)} of it, ${halves}`,
        more: weighed ? '' : 'Write what the packet weighs to see whether it is enough.',
      };
    case 'enough': {
      const share = use.sow_g / (use.sow_g + use.left_g);
      const much =
        share > 0.9
          ? 'The whole packet'
          : share < 0.02
            ? 'A little of the packet'
            : `About ${fraction(share)} of the packet`;
      return {
        weigh: `${much}: ${showSeed(use.sow_g, units)}, ${halves}`,
        more:
          use.left_g > use.sow_g * 0.1
            ? `Keep the other ${showSeed(use.left_g, units)} dry and cool, closed, with the year on it.`
            : '',
      };
    }
    case 'thin':
      return {
        weigh: `The whole packet: ${showSeed(use.sow_g, units)}, ${halves}`,
        more: `It is a little short: ${Math.round(use.density * 100)} % of what the bed takes. It still closes, a little later.`,
      };
    case 'part':
      return {
        weigh: `The whole packet: ${showSeed(use.sow_g, units)}, on ${Math.round(use.sown * 100)} % of the bed, ${halves}`,
        more: `One packet does not do for all of it: ${use.packets} do. Thin all over, weeds would win; sow a part well, or get ${use.packets! - 1} more.`,
      };
  }
}

const FRACTIONS: [number, string][] = [
  [0.1, 'a tenth'],
  [0.2, 'a fifth'],
  [0.25, 'a quarter'],
  [1 / 3, 'a third'],
  [0.5, 'half'],
  [2 / 3, 'two thirds'],
  [0.75, 'three quarters'],
  [0.9, 'nine tenths'],
];
const fraction = (share: number): string =>
  [...FRACTIONS].sort((a, b) => Math.abs(a[0] - share) - Math.abs(b[0] - share))[0]![1];

/** What the seed that is here comes to on the ground it is for: the packet in packs and throws, or each kind on the shelf. */
export function seedHereWords({ packet, shelf }: SeedHere, units: UnitChoice): string[] {
  if (packet) {
    const { weigh, more } = packetWords(packet, units, true);
    const unknown = packet.verdict === 'open';
    const then = unknown ? 'Write under Mixes in which packs it is sold to see whether one is enough.' : more;
    return then ? [`${weigh}.`, then] : [`${weigh}.`];
  }
  return shelf.map((s) => {
    const name = speciesOf(s.speciesId).name;
    return s.buy_g > 0
      ? `${name}: ${showSeed(s.has_g, units)} on the shelf, about ${showSeed(s.buy_g, units)} short: buy it, or sow a smaller piece.`
      : `${name}: ${showSeed(s.need_g, units)} of the ${showSeed(s.has_g, units)} on the shelf.`;
  });
}
