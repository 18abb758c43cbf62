import { closeSync, openSync, readSync, writeSync } from 'node:fs';
import {
  beginTask,
  endTasks,
  filmFormat,
  filmLayout,
  filmStrips,
  isSequential,
  packStrip,
  plateParts,
  present,
  type GeometryParts,
  type PackedPiece,
  type PackedPieces,
} from '@brachytone/core';
import { isTogether, type JobDocument } from '@brachytone/job';
import { PDF_GEOMETRY } from '@brachytone/pdf';
import type { FilmsAtHand } from './film-file.ts';

/** Where a packed piece lies. */
export interface PiecePlace extends Pick<PackedPiece, 'rest' | 'inked'> {
  /** The plate's id. */
  readonly plate: string;
  /** Its place in the film. */
  readonly piece: number;
  readonly file: string;
  readonly at: number;
  readonly bytes: number;
}

/** A piece of some plates' films, which are packed together: what they have in common is made once. */
interface Piece {
  /** Ids. */
  readonly plates: readonly string[];
  /** Its place in each film. */
  readonly place: number;
}

/** Fewer pieces are made sooner by one thread than shared out. */
const LEAST_PIECES = 4;

/** Pieces of a job's films that several threads can pack; none where films are made in one go. */
export function piecesApart(document: JobDocument, plates: readonly string[]): readonly Piece[] {
  const pieces = filmFormat(document.films.format).made === 'geometry' ? partsOf : stripsOf;
  const all = pieces(document, plates);
  return all.length < LEAST_PIECES ? [] : all;
}

/** Strips of all plates. */
function stripsOf({ recipe, films }: JobDocument, plates: readonly string[]): Piece[] {
  const isWhole = films.format !== 'pdf-films' || films.panels === null;
  if (filmFormat(films.format).strips === null || !isWhole) return [];
  // A screen that carries something on would be made from the top by every thread.
  if (recipe.plates.some(({ id, screen }) => plates.includes(id) && isSequential(screen))) return [];
  return filmStrips(filmLayout(recipe)).map((_, place) => ({ plates, place }));
}

/** Parts of each plate's geometry. */
const partsOf = ({ recipe }: JobDocument, plates: readonly string[]): Piece[] =>
  plates.flatMap((id) =>
    Array.from({ length: plateParts({ recipe }, plateOf(recipe, id)) }, (_, place) => ({
      plates: [id],
      place,
    })),
  );

const plateOf = ({ plates }: JobDocument['recipe'], wanted: string): number =>
  plates.findIndex(({ id }) => id === wanted);

export interface PiecesWanted {
  /** Ids of plates. */
  readonly plates: readonly string[];
  /** The file that they are packed into. */
  readonly path: string;
  /** A number for each of `piecesApart`, 0 while it is nobody's: threads that share it make each once. */
  readonly claims: Int32Array<SharedArrayBuffer>;
  /** The piece to begin with: threads begin far from one another, for pieces that follow one another have much in common. */
  readonly first: number;
}

/** Packs pieces of several plates' films that nobody else has claimed, telling how many are done. */
export function* packPieces(
  atHand: FilmsAtHand,
  { plates, path, claims, first }: PiecesWanted,
): Generator<number, PiecePlace[]> {
  const pieces = piecesApart(atHand.document, plates);
  const pack = packing(atHand, plates);
  const places: PiecePlace[] = [];
  const file = openSync(path, 'w');
  let at = 0;
  let done = 0;
  try {
    for (let i = 0; i < pieces.length; i++) {
      const next = (first + i) % pieces.length;
      if (Atomics.exchange(claims, next, 1) !== 0) continue;
      beginTask();
      for (const plate of pieces[next].plates) {
        const { bytes, rest, inked } = pack(plate, pieces[next].place);
        writeSync(file, bytes);
        places.push({ plate, piece: pieces[next].place, file: path, at, bytes: bytes.length, rest, inked });
        at += bytes.length;
      }
      yield ++done;
    }
  } finally {
    endTasks();
    closeSync(file);
  }
  return places;
}

/** How a piece of a plate's film is packed, by the plate's id and the piece's place. */
function packing(
  { document, day, approval, scene }: FilmsAtHand,
  plates: readonly string[],
): (id: string, place: number) => PackedPiece {
  const { recipe, films: options, name } = document;
  const format = filmFormat(options.format);
  if (format.made === 'geometry') {
    const packGeometry = present(format.geometry ?? PDF_GEOMETRY[options.format], 'way to pack geometry');
    const known = new Map<string, GeometryParts>();
    const geometryOf = (id: string): GeometryParts => {
      const inFile = isTogether(document) ? plates : [id];
      const indexes = inFile.map((one) => plateOf(recipe, one));
      return packGeometry(scene, indexes, plateOf(recipe, id), options);
    };
    return (id, place) => {
      const geometry = known.get(id) ?? geometryOf(id);
      known.set(id, geometry);
      return geometry.pack(place);
    };
  }
  const strips = filmStrips(filmLayout(recipe));
  const packRows = present(format.strips, 'way to pack strips');
  const words = { job: name, day, approval };
  return (id, place) =>
    packStrip({ scene, plate: plateOf(recipe, id), emulsion: options, words }, strips[place], packRows);
}

/** Reads packed pieces of a recipe's plates. */
export function packedPieces({ recipe }: JobDocument, places: readonly PiecePlace[]): PackedPieces {
  const byName = new Map(places.map((place) => [`${place.plate} ${place.piece}`, place]));
  return (plate, piece) => {
    const place = present(byName.get(`${recipe.plates[plate].id} ${piece}`), 'packed piece');
    const bytes = new Uint8Array(place.bytes);
    const file = openSync(place.file, 'r');
    try {
      readSync(file, bytes, 0, place.bytes, place.at);
    } finally {
      closeSync(file);
    }
    return { bytes, rest: place.rest, inked: place.inked };
  };
}
