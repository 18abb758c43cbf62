/** A sheet size by name, upright, in mm. */
export interface NamedSheet {
  readonly name: string;
  readonly width: number;
  readonly height: number;
}

const inches = (width: number, height: number): NamedSheet => ({
  name: `${width} × ${height} in`,
  width: width * 25.4,
  height: height * 25.4,
});

/** ISO 216 sizes and common sizes in inches. */
export const SHEETS: readonly NamedSheet[] = [
  { name: 'A2', width: 420, height: 594 },
  { name: 'A3', width: 297, height: 420 },
  { name: 'A4', width: 210, height: 297 },
  { name: 'A5', width: 148, height: 210 },
  { name: 'A6', width: 105, height: 148 },
  inches(8, 10),
  inches(11, 17),
  inches(16, 20),
  inches(18, 24),
];

/** The name of a sheet of this size either way up, if it has one. */
export const sheetName = (width: number, height: number): string | undefined =>
  SHEETS.find(
    (sheet) =>
      (Math.abs(sheet.width - width) < 0.05 && Math.abs(sheet.height - height) < 0.05) ||
      (Math.abs(sheet.width - height) < 0.05 && Math.abs(sheet.height - width) < 0.05),
  )?.name;
