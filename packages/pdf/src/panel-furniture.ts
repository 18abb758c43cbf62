import {
  PANEL_FOOT,
  PANEL_RULER,
  panelScale,
  type FilmLayout,
  type Panel,
  type Panels,
} from '@brachytone/core';
import { POINTS, type PdfFile } from './pdf-file.ts';

/** Sizes on a panel's page, mm. */
const TICK = 4;
const RULER = { height: 3, weight: 0.15 };
const MAP = { width: 14, height: 8 };
const TYPE = 7;

/** The separation of all plates, in which marks are set (ISO 32000-1, section 8.6.6.4). */
export function allPlates(file: PdfFile): unknown {
  const tint = file.ref({ FunctionType: 2, Domain: [0, 1], C0: [1], C1: [0], N: 1 });
  tint.end('');
  return ['Separation', 'All', 'DeviceGray', tint];
}

const rect = (x: number, y: number, width: number, height: number): string =>
  [x, y, width, height].map((mm) => Number((mm * POINTS).toFixed(4))).join(' ');

const placeOf = (parts: readonly Panel[]) => ({
  columns: Math.max(...parts.map(({ column }) => column)) + 1,
  rows: Math.max(...parts.map(({ row }) => row)) + 1,
});

/** Words in all plates. */
function words(file: PdfFile, line: string, x: number, y: number, size = TYPE): void {
  const { document } = file;
  document.addContent('q /Marks cs 1 scn');
  document.fontSize(size);
  // The library sets a colour of its own unless it is told that one is set.
  (document as unknown as { _fillColor: null })._fillColor = null;
  document.text(line, x * POINTS, y * POINTS, { lineBreak: false });
  document.addContent('Q');
}

/** Under a panel: a ruler that proves the scale, which panel it is, and where that lies. */
export function foot(
  file: PdfFile,
  panels: Panels,
  parts: readonly Panel[],
  panel: Panel,
  title: string,
): void {
  const { paper, margin } = panels;
  const scale = panelScale(panels);
  const top = paper.height - margin - PANEL_FOOT + 2;
  const lines: string[] = [];
  const ruler = Math.min(
    PANEL_RULER,
    Math.floor((paper.width - 2 * margin - MAP.width - 4) / scale / 10) * 10,
  );
  for (let mm = 0; mm <= ruler; mm++) {
    const height = mm % 10 === 0 ? RULER.height : mm % 5 === 0 ? RULER.height * 0.7 : RULER.height * 0.45;
    lines.push(`${rect(margin + mm * scale, top, RULER.weight, height)} re`);
  }
  lines.push(`${rect(margin, top, ruler * scale + RULER.weight, RULER.weight)} re`);
  file.draw(`q /Marks cs 1 scn ${lines.join(' ')} f Q`);
  const { columns, rows } = placeOf(parts);
  words(
    file,
    `${ruler} mm  ·  row ${panel.row + 1} of ${rows}, column ${panel.column + 1} of ${columns}  ·  ${title}`,
    margin,
    top + RULER.height + 1,
  );
  const map = { x: paper.width - margin - MAP.width, y: top };
  const [wide, high] = [MAP.width / columns, MAP.height / rows];
  const boxes = parts.map(
    ({ column, row }) => `${rect(map.x + column * wide, map.y + row * high, wide, high)} re`,
  );
  const here = `${rect(map.x + panel.column * wide, map.y + panel.row * high, wide, high)} re`;
  file.draw(`q /Marks cs 1 scn ${here} f Q`);
  file.draw(`q /Marks CS 1 SCN 0.3 w ${boxes.join(' ')} S Q`);
}

/** Where a panel is cut, and where its neighbours lie: ticks at both ends of each seam, and an arrow in the middle. */
export function seamTicks(
  file: PdfFile,
  { overlap }: Panels,
  parts: readonly Panel[],
  panel: Panel,
  { left, top, wide, high }: { left: number; top: number; wide: number; high: number },
): void {
  const has = (column: number, row: number) => parts.some((one) => one.column === column && one.row === row);
  const half = (overlap / 2) * POINTS;
  const tick = TICK * POINTS;
  const lines: string[] = [];
  const arrows: string[] = [];
  const at = (x: number, y: number) => `${x.toFixed(3)} ${y.toFixed(3)}`;
  const upright = (x: number, way: number) => {
    lines.push(
      `${at(x, top)} m ${at(x, top + tick)} l`,
      `${at(x, top + high)} m ${at(x, top + high - tick)} l`,
    );
    const y = top + high / 2;
    arrows.push(
      `${at(x - (way * tick) / 3, y - tick / 4)} m ${at(x + (way * tick) / 3, y)} l ${at(x - (way * tick) / 3, y + tick / 4)} l h`,
    );
  };
  const level = (y: number, way: number) => {
    lines.push(
      `${at(left, y)} m ${at(left + tick, y)} l`,
      `${at(left + wide, y)} m ${at(left + wide - tick, y)} l`,
    );
    const x = left + wide / 2;
    arrows.push(
      `${at(x - tick / 4, y - (way * tick) / 3)} m ${at(x, y + (way * tick) / 3)} l ${at(x + tick / 4, y - (way * tick) / 3)} l h`,
    );
  };
  const { column, row } = panel;
  if (has(column - 1, row)) upright(left + half, -1);
  if (has(column + 1, row)) upright(left + wide - half, 1);
  if (has(column, row - 1)) level(top + half, -1);
  if (has(column, row + 1)) level(top + high - half, 1);
  if (lines.length > 0)
    file.draw(`q /Marks CS /Marks cs 1 SCN 1 scn 0.4 w ${lines.join(' ')} S ${arrows.join(' ')} f Q`);
}

/** A page that shows how panels lie. */
export function assembly(
  file: PdfFile,
  { paper, margin, overlap }: Panels,
  parts: readonly Panel[],
  layout: FilmLayout,
  title: string,
): void {
  const { columns, rows } = placeOf(parts);
  const { mm } = layout;
  words(file, title, margin, margin, 14);
  words(
    file,
    `${columns} × ${rows} sheets of ${paper.width} × ${paper.height} mm; together ${mm.width.toFixed(1)} × ${mm.height.toFixed(1)} mm`,
    margin,
    margin + 8,
    9,
  );
  words(
    file,
    `Neighbours have ${overlap} mm in common: cut one at its ticks and lay it on the other’s.`,
    margin,
    margin + 13,
    9,
  );
  const room = { width: paper.width - 2 * margin, height: paper.height - 2 * margin - 26 };
  const scale = Math.min(room.width / mm.width, room.height / mm.height);
  const [x, y] = [margin, margin + 22];
  const onPage = (pixels: number) => (pixels / layout.resolution) * 25.4 * scale;
  const boxes = parts.map(
    ({ region }) =>
      `${rect(x + onPage(region.x), y + onPage(region.y), onPage(region.width), onPage(region.height))} re`,
  );
  file.draw(`q /Marks CS 1 SCN 0.4 w ${boxes.join(' ')} S Q`);
  for (const { region, column, row } of parts)
    words(
      file,
      `${row + 1} / ${column + 1}`,
      x + onPage(region.x + region.width / 2) - 4,
      y + onPage(region.y + region.height / 2) - 2,
      10,
    );
}
