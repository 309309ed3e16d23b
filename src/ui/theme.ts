/** How the application looks: by day, by night at the table, or as the device has it. */
export const LOOKS = ['day', 'night', 'device'] as const;
export type Look = (typeof LOOKS)[number];

const KEY = 'kilim.look';
const THEMES = { day: 'kilim', night: 'kilim-night' } as const;
/** Ground of the page, for the frame that a phone draws round it. */
const GROUNDS = { day: '#f4ecdf', night: '#251b15' } as const;

/** What was chosen on this device; by day where nothing was, or where nothing can be kept. */
export function chosenLook(): Look {
  try {
    const kept = localStorage.getItem(KEY);
    return LOOKS.find((l) => l === kept) ?? 'day';
  } catch {
    return 'day';
  }
}

const dark = () => window.matchMedia('(prefers-color-scheme: dark)');

function show(by: 'day' | 'night'): void {
  document.documentElement.dataset.theme = THEMES[by];
  document.querySelector('meta[name="theme-color"]')?.setAttribute('content', GROUNDS[by]);
}

function apply(): void {
  const look = chosenLook();
  show(look === 'device' ? (dark().matches ? 'night' : 'day') : look);
}

/** Chooses a look; it is kept on this device and shows at once. */
export function chooseLook(look: Look): void {
  try {
    localStorage.setItem(KEY, look);
  } catch {
    // Storage is denied: it holds until the page is left.
    return show(look === 'night' ? 'night' : 'day');
  }
  apply();
}

/** Shows the chosen look, follows the device where that was chosen, and prints by day: paper is white. */
export function watchLook(): void {
  apply();
  dark().addEventListener('change', apply);
  window.addEventListener('beforeprint', () => show('day'));
  window.addEventListener('afterprint', apply);
}
