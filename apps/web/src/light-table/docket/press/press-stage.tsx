import { gainOf, inkOf, labToHex, latticeOf, middleGain, type Gain, type Press } from '@brachytone/core';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { SwitchRow } from '../../../controls/switch-row.tsx';
import { Select } from '../../../controls/select.tsx';
import { useRoom } from '../../../store/use-room.ts';
import { edit } from '../../../store/job-slice.ts';
import { dialOpened, mendTried } from '../../../store/check-slice.ts';
import { useAppDispatch, useAppSelector } from '../../../store/store.ts';
import { InkChip } from '../inks/ink-chip.tsx';
import { useDocument } from '../../../store/use-job.ts';
import { Group } from '../group.tsx';
import { Findings } from './findings.tsx';
import { GainChart } from './gain-chart.tsx';
import { PressChanged } from './press-changed.tsx';
import { Measured } from './measured.tsx';
import { PressNumbers } from './press-numbers.tsx';

const NONE = 'none';

export function PressSummary() {
  const { press } = useDocument().recipe;
  return <span className="truncate">{press ? press.press.name : 'films as asked'}</span>;
}

/** What is printed on: its gain and its limits, and what they do to this job. */
export function PressStage() {
  const dispatch = useAppDispatch();
  const { recipe } = useDocument();
  const { all: room } = useRoom();
  const { press: chosen } = recipe;
  // What is tried, or listened to, is left with the stage.
  useEffect(
    () => () => {
      dispatch(mendTried(null));
      dispatch(dialOpened(null));
    },
    [dispatch],
  );
  const isGone = chosen && room.every(({ id }) => id !== chosen.id);
  const options = [
    { value: NONE, name: 'None: films as asked' },
    ...(isGone ? [{ value: chosen.id, name: `${chosen.press.name} (no longer in the room)` }] : []),
    ...room.map(({ id, press }) => ({ value: id, name: press.name })),
  ];
  const choose = (id: string) => {
    const found = room.find((one) => one.id === id);
    dispatch(
      edit('Press', (draft) => {
        draft.recipe.press =
          id === NONE || !found
            ? null
            : {
                id,
                press: structuredClone(found.press) as Writable<Press>,
                compensates: chosen?.compensates ?? true,
              };
      }),
    );
  };
  return (
    <>
      <div className="flex h-8 items-center">
        <Select label="Press" value={chosen?.id ?? NONE} options={options} onChange={choose} />
      </div>
      {!chosen && (
        <p className="mt-1 text-soft">
          Films carry what is asked, and the proof shows the films. Choose a press, and the proof becomes its
          print.{' '}
          <Link to="/presses" className="underline hover:text-ink">
            Press room
          </Link>
        </p>
      )}
      {chosen && (
        <>
          <PressChanged chosen={chosen} room={room} />
          <PlateGains press={chosen.press} compensates={chosen.compensates} />
          <SwitchRow
            label="Make films against its gain"
            title="On: films are made lighter by as much as the press adds, so that the print comes out as asked"
            on={chosen.compensates}
            onChange={(compensates) =>
              dispatch(
                edit(compensates ? 'Against the gain' : 'Films as asked', (draft) => {
                  if (draft.recipe.press) draft.recipe.press.compensates = compensates;
                }),
              )
            }
          />
          <Measured chosen={chosen} room={room} />
          <Findings />
          <Angles />
          <PressNumbers
            press={chosen.press}
            onChange={(label, change, gesture) =>
              dispatch(
                edit(
                  label,
                  (draft) => {
                    if (draft.recipe.press) change(draft.recipe.press.press);
                  },
                  gesture,
                ),
              )
            }
          />
        </>
      )}
    </>
  );
}

/** Opens the dial of a plate's angles. */
function Angles() {
  const dispatch = useAppDispatch();
  const { recipe } = useDocument();
  const open = useAppSelector((state) => state.check.dial);
  const plates = recipe.plates.filter(({ screen }) => screen.coarse === 0 && latticeOf(screen)?.supercell);
  if (plates.length === 0) return null;
  return (
    <Group name="Moiré at each angle">
      <div className="flex flex-wrap gap-1.5">
        {plates.map(({ id, ink, screen }) => (
          <button
            key={id}
            type="button"
            aria-pressed={open === id}
            className="figures flex h-6 items-center gap-1.5 rounded-sm border border-edge px-2 hover:bg-white aria-pressed:border-ink aria-pressed:bg-white"
            onClick={() => dispatch(dialOpened(open === id ? null : id))}
          >
            <InkChip ink={inkOf(recipe.inks, ink)} /> {Number(screen.settings.angle)}°
          </button>
        ))}
      </div>
    </Group>
  );
}

/** Something that a draft may change. */
type Writable<T> = { -readonly [Key in keyof T]: T[Key] extends object ? Writable<T[Key]> : T[Key] };

/** The gain of each plate's ink, inks that gain alike drawn once. */
function PlateGains({ press, compensates }: { press: Press; compensates: boolean }) {
  const { recipe } = useDocument();
  const gains: { name: string; colour: string; gain: Gain }[] = [];
  for (const plate of recipe.plates) {
    const ink = inkOf(recipe.inks, plate.ink);
    const gain = gainOf(press, ink.name);
    const same = gains.find((one) => JSON.stringify(one.gain) === JSON.stringify(gain));
    if (same) [same.name, same.colour] = [`${same.name}, ${ink.name}`, SHARED];
    else gains.push({ name: ink.name, colour: visible(labToHex(ink.lab), ink.lab[0]), gain });
  }
  return (
    <Group
      name="Asked, film, printed"
      aside={<span className="figures text-soft">{compensates ? 'dashed: film' : 'films as asked'}</span>}
    >
      <GainChart gains={gains} compensates={compensates} width={280} height={150} />
      <p className="figures text-soft">
        {gains.map(({ name, gain }) => (
          <span key={name} className="block truncate">
            50 % prints as {(50 + middleGain(gain)).toFixed(0)} %{gains.length > 1 ? ` · ${name}` : ''}
          </span>
        ))}
      </p>
    </Group>
  );
}

/** Of a curve that several inks share. */
const SHARED = '#1d1b18';

/** Colours of inks that would not be seen on the chart are drawn darker. */
const visible = (colour: string, lightness: number): string => (lightness > 80 ? '#6b6456' : colour);
