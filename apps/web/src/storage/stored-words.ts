import type { KeepRule, StoredId } from '@brachytone/job';
import { countWords } from '../words/words.ts';

/** What is said of things of a kind. */
interface StoredWords {
  readonly name: string;
  readonly says: string;
  readonly count: (count: number) => string;
  /** The rule by which all of it is cleaned away at once, and what that means. */
  readonly clean?: { readonly rule: KeepRule; readonly warns: string };
}

const NONE: KeepRule = { by: 'days', days: 0 };

export const STORED_WORDS: Record<StoredId, StoredWords> = {
  jobs: { name: 'Jobs on the board', says: 'With their pulls', count: (n) => countWords(n, 'job') },
  away: {
    name: 'Jobs put away',
    says: 'With their pulls, and what goes with them when they are deleted',
    count: (n) => countWords(n, 'job'),
    clean: {
      rule: NONE,
      warns: 'They go with their pulls, runs, films, and the files that nothing else uses.',
    },
  },
  history: {
    name: 'Undo history',
    says: 'Of all jobs, by the day a job was last changed',
    count: (n) => countWords(n, 'step'),
    clean: {
      rule: NONE,
      warns: 'All jobs stay as they are; what was done up to now cannot be undone any more.',
    },
  },
  files: {
    name: 'Files in use',
    says: 'Pictures, line art, typefaces and profiles',
    count: (n) => countWords(n, 'file'),
  },
  unused: {
    name: 'Files that nothing uses',
    says: 'No job, undo step, pull, run or press needs them',
    count: (n) => countWords(n, 'file'),
    clean: { rule: NONE, warns: 'Should you need one again, bring it in again.' },
  },
  films: {
    name: 'Films',
    says: 'Of finished runs',
    count: (n) => `the films of ${countWords(n, 'run')}`,
    clean: {
      rule: { by: 'runs', runs: 0 },
      warns: 'Runs stay on their list, and make the same films again.',
    },
  },
  pictures: {
    name: 'Pictures of proofs',
    says: 'For the board; made again when they are needed',
    count: (n) => countWords(n, 'picture'),
    clean: { rule: NONE, warns: 'They are made again when they are needed.' },
  },
  older: {
    name: 'From before upgrades',
    says: 'Jobs as they were before Brachytone was another version',
    count: (n) => countWords(n, 'document'),
    clean: { rule: NONE, warns: 'The jobs themselves stay.' },
  },
  links: {
    name: 'Proof links',
    says: 'With what clients said, by the day that they ended',
    count: (n) => countWords(n, 'proof link'),
    clean: {
      rule: { by: 'days', days: 0 },
      warns: 'Those that ended go, with their comments; what was approved stays with its films.',
    },
  },
  deeds: {
    name: 'Who did what',
    says: 'The list on the page of people',
    count: (n) => countWords(n, 'entry').replace('entrys', 'entries'),
    clean: { rule: NONE, warns: 'Save the list first if it may be asked for.' },
  },
};
