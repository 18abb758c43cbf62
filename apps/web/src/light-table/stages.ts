/** The docket's stages, in the order the work is done. */
export const STAGES = [
  { id: 'original', name: 'Original' },
  { id: 'tone', name: 'Tone' },
  { id: 'inks', name: 'Inks' },
  { id: 'screens', name: 'Screens' },
  { id: 'press', name: 'Press' },
  { id: 'films', name: 'Films' },
] as const;

export type StageId = (typeof STAGES)[number]['id'];
