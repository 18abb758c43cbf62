import type { ReactNode } from 'react';

/** What stands before the studio’s door: a sheet with a title, on a field of dots that grow towards its foot. */
export function Front({ title, says, children }: { title: string; says: ReactNode; children: ReactNode }) {
  return (
    <div className="relative flex h-full items-center justify-center overflow-y-auto bg-card p-6">
      <Field />
      <main className="relative w-[380px] border border-ink bg-raised px-8 pt-7 pb-8">
        <div className="mb-6 flex items-center gap-2.5">
          <img src="/mark.svg" alt="" className="size-6" />
          <span className="text-[15px] font-semibold [font-stretch:112%]">Brachytone</span>
        </div>
        <h1 className="text-[21px] leading-7">{title}</h1>
        <p className="mt-1 mb-5 text-soft">{says}</p>
        {children}
      </main>
    </div>
  );
}

const ROWS = 26;
const COLUMNS = 64;
const CELL = 14;

/** Dots at 45°, from none at the top to three quarters at the foot. */
function Field() {
  const dots = [];
  for (let row = 0; row < ROWS; row++)
    for (let column = 0; column < COLUMNS; column++) {
      const coverage = 0.75 * (row / (ROWS - 1)) ** 2;
      const radius = CELL * Math.sqrt(coverage / (2 * Math.PI));
      if (radius < 0.4) continue;
      dots.push(
        <circle
          key={`${row} ${column}`}
          cx={(column + (row % 2) / 2) * CELL}
          cy={(row * CELL) / 2}
          r={radius}
        />,
      );
    }
  return (
    <svg
      aria-hidden
      className="absolute inset-x-0 bottom-0 h-[46%] w-full text-edge"
      viewBox={`0 0 ${(COLUMNS - 1) * CELL} ${((ROWS - 1) * CELL) / 2}`}
      preserveAspectRatio="xMidYMax slice"
      fill="currentColor"
    >
      {dots}
    </svg>
  );
}

/** A line to fill in before the door. */
export function FrontField({
  label,
  value,
  onChange,
  type = 'text',
  autoComplete,
  readOnly = false,
  focus = false,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  type?: 'text' | 'password';
  autoComplete: string;
  readOnly?: boolean;
  focus?: boolean;
}) {
  return (
    <label className="mb-3 block">
      <span className="mb-1 block">{label}</span>
      <input
        className="h-9 w-full rounded-sm border border-edge bg-white px-2.5 text-[14px] read-only:bg-transparent hover:border-soft"
        type={type}
        value={value}
        readOnly={readOnly}
        autoComplete={autoComplete}
        // The page has nothing else to do.
        autoFocus={focus}
        required
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  );
}
