import { filmFrame, type View } from '@brachytone/core';
import type { JobDocument } from '@brachytone/job';

/** Where a simulated print's picture is kept. */
export const printSource = (picture: string): string => `/api/files/${picture}/source`;

/** A view of a simulated print: its picture shows the whole sheet with its bleed. */
export function PrintPicture({
  picture,
  name,
  document,
  view,
  ratio,
}: {
  picture: string;
  name: string;
  document: JobDocument;
  view: View;
  ratio: number;
}) {
  const frame = filmFrame(document.recipe);
  // CSS pixels that a film pixel takes up.
  const [across, down] = [view.columns / view.width / ratio, view.rows / view.height / ratio];
  return (
    <div
      className="relative overflow-hidden"
      style={{ width: view.columns / ratio, height: view.rows / ratio }}
    >
      <img
        src={printSource(picture)}
        alt={name}
        className="absolute max-w-none"
        style={{
          left: -view.x * across,
          top: -view.y * down,
          width: frame.width * across,
          height: frame.height * down,
        }}
      />
    </div>
  );
}
