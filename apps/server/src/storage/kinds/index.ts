import type { StoredKind } from '../stored-kind.ts';
import { files, unused } from './files.ts';
import { films } from './films.ts';
import { away, history, onBoard } from './jobs.ts';
import { older } from './older-documents.ts';
import { proofPictures } from './pictures.ts';
import { deeds, links } from './studio.ts';

/** Everything that takes up room, in the order it is told. */
export const STORED_KINDS: readonly StoredKind[] = [
  onBoard,
  away,
  history,
  files,
  unused,
  films,
  proofPictures,
  older,
  links,
  deeds,
] as readonly StoredKind[];
