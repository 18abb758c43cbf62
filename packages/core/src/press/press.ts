import type { Gain } from './gain.ts';

/** What prints. */
export type PressKind = 'screen' | 'offset' | 'relief' | 'stencil' | 'digital';

/** The fabric that a screen-printing frame is covered with. */
export interface Mesh {
  /** Threads in a centimetre. */
  readonly count: number;
  /** Of its threads to the frame's sides, degrees anticlockwise. */
  readonly angle: number;
  /** Thickness of a thread, µm. */
  readonly thread: number;
}

/** What a press makes of one ink. */
export interface InkGain {
  readonly ink: string;
  readonly gain: Gain;
  readonly calibrated: string | null;
}

/** What a press prints of a film, and what it cannot. */
export interface Press {
  readonly name: string;
  readonly kind: PressKind;
  /** Screen printing alone has one. */
  readonly mesh: Mesh | null;
  /** Of every ink that has none of its own. */
  readonly gain: Gain;
  /** Of inks by their names; when they were measured, ISO 8601, or null. */
  readonly inkGains: readonly InkGain[];
  /** How far a solid edge grows, mm. */
  readonly edgeGain: number;
  /** Dots less across are lost, µm. */
  readonly leastDot: number;
  /** Gaps between dots less across fill in, µm. */
  readonly leastGap: number;
  /** Line work that is thinner is lost, mm. */
  readonly leastLine: number;
  /** Gaps in line work that are thinner fill in, mm. */
  readonly leastLineGap: number;
  /** All inks together, percent. */
  readonly inkLimit: number;
  /** How far plates may miss one another, mm. */
  readonly register: number;
  /** The largest sheet, mm. */
  readonly sheet: { readonly width: number; readonly height: number };
  /** Resolution that its films or plates are made at, dots per inch. */
  readonly resolution: number;
  /** Names of the stocks it usually prints on. */
  readonly stocks: readonly string[];
}

/** The press a job is for. */
export interface JobPress {
  /** Where it was taken from: a press of the press room or one that ships. */
  readonly id: string;
  /** As it was then: a job carries its press whole. */
  readonly press: Press;
  /** True where films are made so that the print comes out as asked. */
  readonly compensates: boolean;
}

/** The gain of an ink, by its name. */
export const gainOf = ({ gain, inkGains }: Press, ink: string): Gain =>
  inkGains.find((one) => sameName(one.ink, ink))?.gain ?? gain;

/** Names that differ in capitals or in spaces around them are one. */
export const sameName = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();
