/** The ranges the numbers of a job may take, shared by the schema and the interface. */
export const LIMITS = {
  /** Letters of a name that comes from a file. */
  fileName: 120,
  /** Side of a sheet, mm. */
  side: { least: 5, most: 5000 },
  /** Bleed around a sheet, mm. */
  bleed: { least: 0, most: 50 },
  /** Margin of a container, mm. */
  margin: { least: -500, most: 500 },
  /** Width of a soft edge, or reach of a glow, mm. */
  soft: { least: 0, most: 200 },
  /** Width of the soft edge of a mix's dots, mm: wider than a dot it is a flat tone, and costs memory. */
  mixSoft: { least: 0, most: 5 },
  /** Width of a line along letters, mm. */
  edge: { least: 0, most: 50 },
  /** Size of lettering, mm of an em. */
  em: { least: 1, most: 2000 },
  /** Space added between letters, percent of an em. */
  tracking: { least: -30, most: 200 },
  /** From baseline to baseline, percent of an em. */
  leading: { least: 40, most: 300 },
  /** Letters of a lettering. */
  letters: { least: 1, most: 2000 },
  /** Difference of colours, ΔE*ab. */
  tolerance: { least: 0, most: 100 },
  /** Areas in pixels of a picture. */
  specks: { least: 0, most: 100000 },
  /** Choke of a cut-out, pixels of the picture. */
  choke: { least: -20, most: 20 },
  /** Softness of a cut-out, pixels of the picture. */
  softness: { least: 0, most: 60 },
  /** Width of an original, mm. */
  placed: { least: 1, most: 10000 },
  /** Blur before the edge of line art is drawn, pixels of the picture. */
  smooth: { least: 0, most: 20 },
  /** One side over another. */
  ratio: { least: 0.02, most: 50 },
  /** How strongly a stock's surface is seen, percent, and how wide the stock in its picture is, mm. */
  textureStrength: { least: 0, most: 400 },
  stockWidth: { least: 5, most: 5000 },
  /** How deep and how coarse edges are torn, mm. */
  tornDepth: { least: 0, most: 200 },
  tornGrain: { least: 0.1, most: 200 },
  /** Longer side of a picture painted from a drawing, pixels. */
  painted: { least: 64, most: 12_000 },
  /** Place of an original on the sheet, mm. */
  position: { least: -10000, most: 10000 },
  /** Film resolution, dots per inch. */
  resolution: { least: 36, most: 4800 },
  /** Cells each way that share a colour. */
  shared: { least: 1, most: 32 },
  /** Film pixels that an outline may stray. */
  strays: { least: 0, most: 8 },
  /** Films that are cut for a small printer, mm: sides of its paper, its margin, the overlap, the measured ruler, and how far seams may lie. */
  panels: {
    paper: { least: 50, most: 5000 },
    margin: { least: 0, most: 50 },
    overlap: { least: 0, most: 100 },
    ruler: { least: 80, most: 125 },
    seam: 6000,
  },
  /** Pixels per inch of tones that are not screened. */
  ppi: { least: 50, most: 1200 },
  /** Pixels per inch of a coarse grid. */
  coarse: { least: 1, most: 1200 },
  /** Spread (above 0) or choke of a plate, mm. */
  edges: { least: -10, most: 10 },
  /** A plate's move on the sheet, mm. */
  shift: { least: -100, most: 100 },
  /** A plate's turn on the sheet, degrees. */
  shiftTurn: { least: -45, most: 45 },
  /** All inks of a separation together, percent. */
  inkLimit: { least: 50, most: 800 },
  /** How far ink soaks in, mm. */
  soak: { least: 0, most: 2 },
  /** Yule–Nielsen factor. */
  lightSpread: { least: 1, most: 4 },
  /** Inks of a job. */
  inks: { least: 1, most: 8 },
  /** Points of a gain curve. */
  gainPoints: 64,
  /** Readings of an ink. */
  readings: 2000,
  /** Inks that a press has gains of. */
  inkGains: 60,
  /** Threads in a centimetre. */
  meshCount: { least: 5, most: 250 },
  /** Thickness of a thread, µm. */
  thread: { least: 10, most: 500 },
  /** How far a solid edge grows, mm. */
  edgeGain: { least: -0.5, most: 1 },
  /** Dots and gaps that a press holds, µm. */
  leastDot: { least: 0, most: 5000 },
  /** Line work that a press holds, mm. */
  leastLine: { least: 0, most: 5 },
  /** How far plates may miss one another, mm. */
  register: { least: 0, most: 10 },
  /** Degrees anticlockwise. */
  angle: { least: -180, most: 180 },
} as const;
