export * from './shared-materials.ts';
export { sceneOf } from './scene-of.ts';
export { filmFile, type FilmsAtHand } from './film-file.ts';
export { packPieces, piecesApart, type PiecePlace, type PiecesWanted } from './piece-files.ts';
export { wholeFile, writeWhole, type MadeFilm } from './whole-file.ts';
export { sideBySide } from './side-by-side.ts';
export { proofPng } from './proof-png.ts';
export { writePicture } from './write-picture.ts';
export { ticketOf } from './ticket.ts';
