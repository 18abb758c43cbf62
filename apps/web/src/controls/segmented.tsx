import { ToggleGroup } from 'radix-ui';

/** One of a few, side by side. */
export function Segmented<Value extends string>({
  label,
  value,
  options,
  onChange,
  wide = false,
}: {
  label: string;
  value: Value;
  options: readonly { value: Value; label: string; title?: string }[];
  onChange: (value: Value) => void;
  wide?: boolean;
}) {
  return (
    <ToggleGroup.Root
      type="single"
      value={value}
      onValueChange={(next) => next && onChange(next as Value)}
      aria-label={label}
      className={`inline-flex rounded-sm border border-edge bg-raised ${wide ? 'w-full' : ''}`}
    >
      {options.map((option) => (
        <ToggleGroup.Item
          key={option.value}
          value={option.value}
          title={option.title}
          className={`h-7 border-l border-edge first:border-l-0 hover:bg-white data-[state=on]:bg-ink data-[state=on]:text-raised ${wide ? 'grow px-1' : 'px-2.5'}`}
        >
          {option.label}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
