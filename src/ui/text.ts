/** As a sentence or a button begins. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
