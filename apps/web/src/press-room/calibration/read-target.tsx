import {
  layoutOf,
  patchList,
  readTable,
  UnreadableTable,
  type CalibratedInk,
  type ReadingSource,
  type ToneReading,
} from '@brachytone/core';
import type { KeptCalibration } from '@brachytone/job';
import { useRef, useState } from 'react';
import { Button } from '../../controls/button.tsx';
import { Segmented } from '../../controls/segmented.tsx';
import { SliderRow } from '../../controls/slider-row.tsx';
import { PICTURES } from '../../shell/file-kinds.ts';
import {
  sentenceOf,
  useAddOriginalMutation,
  useReadTargetMutation,
  useSimulatedReadingsMutation,
  useSimulatedScanMutation,
} from '../../store/api.ts';
import { PERCENT } from '../../words/quantity.ts';
import { saveText } from './save-text.ts';
import { textOfFile } from './text-of-file.ts';
import { TypedReadings } from './typed-readings.tsx';

/** What was read of the inks, in their order; an ink without readings keeps those it had. */
export interface ReadTarget {
  readonly source: ReadingSource;
  /** Of the simulated press, where that printed it. */
  readonly simulatedGain: number | null;
  readonly scan: string | null;
  readonly inks: readonly {
    readonly readings: readonly ToneReading[];
    readonly ladders: CalibratedInk['ladders'];
  }[];
  /** What there is to say of it. */
  readonly notes: readonly string[];
}

const WAYS = [
  { value: 'scan', label: 'Scan', title: 'A scan or photograph of the printed target' },
  { value: 'table', label: 'File', title: 'Measurements as CGATS.17 or CSV' },
  { value: 'typed', label: 'Type', title: 'Percentages or densities, typed' },
  { value: 'simulated', label: 'Simulated', title: 'A simulated press and instrument, to learn the loop' },
] as const;

/** Bytes of a file of measurements, at most. */
const MOST_BYTES = 8e6;

/** The ways in which a printed target is read. */
export function ReadTargetPart({
  calibration,
  ink,
  onRead,
}: {
  calibration: KeptCalibration;
  /** Place of the ink that is looked at. */
  ink: number;
  onRead: (read: ReadTarget) => Promise<void>;
}) {
  const [way, setWay] = useState<(typeof WAYS)[number]['value']>('scan');
  const [busy, setBusy] = useState<string>();
  const [problem, setProblem] = useState<string>();
  const [notes, setNotes] = useState<readonly string[]>([]);
  const [addOriginal] = useAddOriginalMutation();
  const [readTarget] = useReadTargetMutation();
  const [simulatedReadings] = useSimulatedReadingsMutation();
  const [simulatedScan] = useSimulatedScanMutation();
  const [gain, setGain] = useState(28);
  const { id } = calibration;
  const names = calibration.inks.map((one) => one.ink.name);

  const during = async (words: string, work: () => Promise<ReadTarget>) => {
    setBusy(words);
    setProblem(undefined);
    setNotes([]);
    try {
      const read = await work();
      await onRead(read);
      setNotes(read.notes);
    } catch (error) {
      setProblem(error instanceof UnreadableTable ? error.message : sentenceOf(error));
    } finally {
      setBusy(undefined);
    }
  };
  const scanned = async (sha256: string, simulatedGain: number | null): Promise<ReadTarget> => {
    const { inks, ppi } = await readTarget({ id, sha256 }).unwrap();
    return {
      source: 'scan',
      simulatedGain,
      scan: sha256,
      inks,
      notes: [`Read at ${ppi} pixels an inch of the target.`],
    };
  };
  const fromText = (text: string, source: 'typed' | 'table'): Promise<ReadTarget> => {
    const { inks, notes } = readTable(text, names, layoutOf(calibration));
    return Promise.resolve({
      source,
      simulatedGain: null,
      scan: null,
      inks: inks.map((readings) => ({ readings, ladders: null })),
      notes,
    });
  };
  return (
    <div>
      <Segmented wide label="How it is read" value={way} options={WAYS} onChange={setWay} />
      <div className="mt-2.5">
        {way === 'scan' && (
          <>
            <p className="mb-2 text-soft">
              The whole sheet with its four corner marks, at 150 pixels an inch or more. Askew, in perspective
              and unevenly lit is allowed; glare is not.
            </p>
            <FileButton
              label="Bring a scan or photograph"
              accept={PICTURES}
              disabled={busy !== undefined}
              onFile={(file) =>
                void during(`Reading “${file.name}”…`, async () => {
                  const { sha256 } = await addOriginal(file).unwrap();
                  return scanned(sha256, null);
                })
              }
            />
          </>
        )}
        {way === 'table' && (
          <>
            <p className="mb-2 text-soft">
              CGATS.17 text or CSV: INK, FILM and PRINTED, or DENSITY, or LAB_L, LAB_A, LAB_B; or an
              instrument’s own file with each patch’s number as SAMPLE_ID, rows in any order.
            </p>
            <div className="flex gap-2">
              <FileButton
                label="Bring measurements"
                accept=".txt,.csv,.tsv,.cgats,text/*"
                disabled={busy !== undefined}
                onFile={(file) =>
                  void during(`Reading “${file.name}”…`, async () => {
                    if (file.size > MOST_BYTES)
                      throw new UnreadableTable('This file is far longer than measurements of a target are.');
                    return fromText(await textOfFile(file), 'table');
                  })
                }
              />
              <Button
                title="Numbers, inks and tones of all patches as CGATS.17, for an instrument’s software"
                onClick={() =>
                  saveText(
                    patchList(calibration, layoutOf(calibration), calibration.made.slice(0, 10)),
                    'patches.txt',
                  )
                }
              >
                List of patches
              </Button>
            </div>
          </>
        )}
        {way === 'typed' && (
          <TypedReadings
            key={ink}
            of={calibration.inks[ink]}
            onText={(text) => void during('Reading…', () => fromText(text, 'typed'))}
          />
        )}
        {way === 'simulated' && (
          <>
            <p className="mb-1 text-soft">
              A press that is only simulated prints the target: to learn the loop, and to try it without
              paper. It gains more or less than this press is said to.
            </p>
            <SliderRow
              label="Gains at 50 %"
              value={gain}
              least={5}
              most={35}
              unit={PERCENT}
              onChange={setGain}
            />
            <div className="mt-2 flex gap-2">
              <Button
                disabled={busy !== undefined}
                onClick={() =>
                  void during('Printing and measuring…', async () => {
                    const inks = await simulatedReadings({ id, gain }).unwrap();
                    return {
                      source: 'instrument',
                      simulatedGain: gain,
                      scan: null,
                      inks: inks.map((readings) => ({ readings, ladders: null })),
                      notes: [],
                    };
                  })
                }
              >
                Print and measure
              </Button>
              <Button
                disabled={busy !== undefined}
                onClick={() =>
                  void during('Printing and scanning, some seconds an ink…', async () =>
                    scanned((await simulatedScan({ id, gain }).unwrap()).sha256, gain),
                  )
                }
              >
                Print and scan
              </Button>
            </div>
          </>
        )}
      </div>
      <div aria-live="polite" className="mt-2">
        {busy && <p className="text-guide-deep">{busy}</p>}
        {problem && <p className="text-ruby">{problem}</p>}
        {notes.map((note) => (
          <p key={note} className="text-soft">
            {note}
          </p>
        ))}
      </div>
    </div>
  );
}

function FileButton({
  label,
  accept,
  disabled,
  onFile,
}: {
  label: string;
  accept: string;
  disabled: boolean;
  onFile: (file: File) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        className="hidden"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) onFile(file);
        }}
      />
      <Button disabled={disabled} onClick={() => input.current?.click()}>
        {label}
      </Button>
    </>
  );
}
