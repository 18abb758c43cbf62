/** How the axes of a chart of gains look. */
export const AXIS = { tick: { fontSize: 10, fill: '#6b6456' }, tickLine: false, stroke: '#b9b09c' } as const;

/** Where everything prints as it is on the film. */
export const DIAGONAL = {
  segment: [
    { x: 0, y: 0 },
    { x: 100, y: 100 },
  ],
  stroke: '#b9b09c',
  strokeDasharray: '1 3',
} as const;
