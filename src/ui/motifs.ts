/** The motifs of the weave, as knots on a small grid. '#' is the dyed yarn, '.' the ground colour. Legible in grey as well as in colour. */
export const MOTIFS = {
  grass: {
    yarn: '#5d7b3c',
    ground: '#dfe3c3',
    rows: ['#...#...', '##.###.#', '.###.###', '..#...#.', '#...#...', '##.###.#', '.###.###', '..#...#.'],
  },
  legume: {
    yarn: '#2b4a70',
    ground: '#cdd8e4',
    rows: ['...##...', '..####..', '.##..##.', '##....##', '##....##', '.##..##.', '..####..', '...##...'],
  },
  brassica: {
    yarn: '#7a5310',
    ground: '#e0b255',
    rows: ['...##...', '..####..', '.######.', '########', '........', '##....##', '###..###', '########'],
  },
  broadleaf: {
    yarn: '#8a4460',
    ground: '#ecd5dc',
    rows: ['...##...', '...##...', '.######.', '.######.', '...##...', '...##...', '........', '........'],
  },
  crop: {
    yarn: '#c3a274',
    ground: '#dec39b',
    rows: ['##..##..', '##..##..', '..##..##', '..##..##', '##..##..', '##..##..', '..##..##', '..##..##'],
  },
  residue: {
    yarn: '#8f6a2a',
    ground: '#cfa85c',
    rows: ['###.....', '........', '....####', '........', '.###....', '........', '......##', '#.......'],
  },
  sheet: {
    yarn: '#4a423d',
    ground: '#2a2523',
    rows: ['#.......', '.#......', '..#.....', '...#....', '....#...', '.....#..', '......#.', '.......#'],
  },
} as const;
export type Motif = keyof typeof MOTIFS;
export const KNOT = 2;
export const MOTIF_PX = 8 * KNOT;
