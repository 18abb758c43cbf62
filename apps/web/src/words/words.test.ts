import { newScreen } from '@brachytone/core';
import { newJob } from '@brachytone/job';
import { shownPlates, whatToDraw } from '../light-table/table/what.ts';
import { bytesWords, secondsWords, lengthWords, screenWords, sheetWords, shortSheet } from './words.ts';

const job = newJob({ sha256: 'a'.repeat(64), name: 'moon.png', width: 100, height: 140 });

describe('words', () => {
  it('tell sheets, screens, lengths and sizes', () => {
    expect(sheetWords({ width: 203.2, height: 254 })).toBe('203.2 × 254 mm');
    expect(shortSheet({ width: 420, height: 297 })).toBe('A3');
    expect(screenWords(job.recipe.plates[0].screen)).toBe('round · 30 lpi · 45°');
    expect(screenWords(newScreen('lines', { path: 'wave', ruling: 20 }, { coarse: 72 }))).toBe(
      'lines, wave · 20 lpi · 22.5° · 72 ppi',
    );
    expect(screenWords(newScreen('diffused', { spot: 0.08 }))).toBe('diffused near · 80 µm');
    expect([lengthWords(0.0212), lengthWords(0.71), lengthWords(12.345)]).toEqual([
      '21 µm',
      '0.71 mm',
      '12.3 mm',
    ]);
    expect([bytesWords(200), bytesWords(960_000), bytesWords(2_934_764)]).toEqual([
      '1 kB',
      '960 kB',
      '2.9 MB',
    ]);
  });
});

describe('what the table draws', () => {
  it('all plates, or the one shown alone', () => {
    expect(shownPlates(job.recipe, null)).toEqual([0]);
    expect(shownPlates(job.recipe, 'plate-1')).toEqual([0]);
    expect(shownPlates(job.recipe, 'gone')).toEqual([0]);
  });
  it('a negative film has ink and clear exchanged; the proof has not', () => {
    const negative = { ...job, films: { ...job.films, negative: true } };
    const film = (document: typeof job) => {
      const what = whatToDraw(document, 'film', null);
      return what.kind === 'bits' ? what.colours : [];
    };
    expect(film(negative)).toEqual([...film(job)].reverse());
    expect(whatToDraw(negative, 'proof', null)).toEqual(whatToDraw(job, 'proof', null));
    expect(whatToDraw(job, 'plate', null)).toEqual({ kind: 'plate', plate: 0, ends: false });
    expect(whatToDraw(job, 'proof', null, { ends: true })).toEqual({ kind: 'plate', plate: 0, ends: true });
  });
});

it('tells how long a thing takes as finely as it is known', () => {
  expect([0.4, 4.9, 12, 88, 130].map(secondsWords)).toEqual([
    'under 5 s',
    'under 5 s',
    '10 s',
    '90 s',
    '2 min',
  ]);
});
