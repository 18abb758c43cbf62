/** What a treatment is seen on: a picture on a sheet, or a job; nothing for the picture brought in last. */
export interface SeenOn {
  readonly original?: string;
  readonly job?: string;
  /** mm. */
  readonly sheet?: { readonly width: number; readonly height: number };
  /** Changes where the picture does, so that none is shown that is no longer so. */
  readonly revision?: number;
}

/**
 * Address of the picture of something in a treatment.
 *
 * @param longer CSS pixels of its longer side
 */
export function seenIn(
  treatment: string,
  { original, job, sheet, revision }: SeenOn,
  longer: number,
): string {
  const ratio = Math.min(2, window.devicePixelRatio || 1);
  const params = new URLSearchParams({ longer: String(Math.round(longer * ratio)) });
  if (original !== undefined) params.set('original', original);
  if (job !== undefined) params.set('job', job);
  if (sheet) {
    params.set('width', String(sheet.width));
    params.set('height', String(sheet.height));
  }
  if (revision !== undefined) params.set('revision', String(revision));
  return `/api/treatments/${treatment}/seen.png?${params.toString()}`;
}
