import { Switch } from 'radix-ui';

/** Something that is on or off, said in words. */
export function SwitchRow({
  label,
  title,
  on,
  onChange,
}: {
  label: string;
  title?: string;
  on: boolean;
  onChange: (on: boolean) => void;
}) {
  return (
    <label className="flex h-7 cursor-pointer items-center gap-2" title={title}>
      <span className="grow">{label}</span>
      <span aria-hidden="true" className={`figures text-[11px] ${on ? '' : 'text-soft'}`}>
        {on ? 'on' : 'off'}
      </span>
      <Switch.Root
        checked={on}
        onCheckedChange={onChange}
        aria-label={label}
        className="relative h-3.5 w-6 shrink-0 rounded-sm border border-soft bg-white data-[state=checked]:border-ink data-[state=checked]:bg-ink"
      >
        <Switch.Thumb className="block h-full w-2.5 bg-edge transition-transform data-[state=checked]:translate-x-3 data-[state=checked]:bg-raised" />
      </Switch.Root>
    </label>
  );
}
