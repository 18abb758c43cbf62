import { REACH } from '@brachytone/core';

/** What the ruby of a reach view stands for. */
export function ReachLegend() {
  return (
    <div
      role="note"
      className="absolute bottom-13 left-3.5 flex items-center gap-2 rounded-sm border border-edge bg-raised px-2.5 py-1"
      title="Difference between the colour asked for and the nearest that these inks give, CIEDE2000"
    >
      <span>In reach</span>
      <span className="figures text-soft">ΔE {REACH.reached}</span>
      <span
        className="h-2.5 w-24 rounded-[1px]"
        style={{ background: 'linear-gradient(90deg, #b4b4b4, #a81f3d)' }}
      />
      <span className="figures text-soft">{REACH.far}</span>
      <span>out of reach</span>
    </div>
  );
}
