import { middleGain } from '@brachytone/core';
import { Link } from 'react-router';
import { GainChart } from '../light-table/docket/press/gain-chart.tsx';
import { TopBar } from '../shell/top-bar.tsx';
import { sentenceOf } from '../store/api.ts';
import { KIND_WORDS, SHIPPED, useRoom, type RoomEntry } from '../store/use-room.ts';

/** All presses, each with its curve. */
export function PressRoom() {
  const { own, error } = useRoom();
  return (
    <div className="flex h-full flex-col">
      <TopBar />
      <main className="grow overflow-y-auto px-10 py-7">
        <h1 className="text-[16px]">Press room</h1>
        <p className="mt-1 mb-5 max-w-[640px] text-soft">
          A press says how much it adds, what it loses and what it holds. A job takes one along whole, so that
          what is changed here changes no job by itself.
        </p>
        {error !== undefined && <p className="text-ruby">{sentenceOf(error)}</p>}
        <Part
          name="Your own"
          presses={own}
          empty="No press of your own yet. Open one that is ready-made and keep a copy of it."
        />
        <Part name="Ready-made" presses={SHIPPED} />
      </main>
    </div>
  );
}

function Part({ name, presses, empty }: { name: string; presses: readonly RoomEntry[]; empty?: string }) {
  return (
    <section className="mb-7 max-w-[1200px]" aria-label={name}>
      <h2 className="mb-2 text-[13.5px]">{name}</h2>
      {presses.length === 0 && empty && <p className="text-soft">{empty}</p>}
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(270px,1fr))] gap-3">
        {presses.map((entry) => (
          <PressCard key={entry.id} {...entry} />
        ))}
      </ul>
    </section>
  );
}

function PressCard({ id, press, says }: RoomEntry) {
  const { name, kind, gain, mesh, leastDot, register, inkGains } = press;
  const measured = inkGains.filter(({ calibrated }) => calibrated !== null).length;
  return (
    <li className="rounded-sm border border-edge bg-raised hover:border-ink">
      <Link to={`/presses/${id}`} className="block p-2.5">
        <div className="pointer-events-none">
          <GainChart
            gains={[{ name, colour: '#1d1b18', gain }]}
            compensates={false}
            width={240}
            height={110}
          />
        </div>
        <h3 className="mt-1 text-[13px]">{name}</h3>
        <p className="figures text-soft">
          {[
            KIND_WORDS[kind],
            `+${middleGain(gain).toFixed(0)} % at 50 %`,
            `${leastDot} µm`,
            `±${register} mm`,
            ...(mesh ? [`${mesh.count} a cm`] : []),
            ...(measured > 0 ? [`${measured === 1 ? '1 ink' : `${measured} inks`} measured`] : []),
          ].join(' · ')}
        </p>
        {says && <p className="mt-0.5 text-soft">{says}</p>}
      </Link>
    </li>
  );
}
