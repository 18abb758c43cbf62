/** One of a list, in the system's own chooser. */
export function Select<Value extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: Value;
  options: readonly { readonly value: Value; readonly name: string; readonly disabled?: boolean }[];
  onChange: (value: Value) => void;
}) {
  return (
    <select
      aria-label={label}
      className="h-6 min-w-0 grow rounded-sm border border-edge bg-white px-1 hover:border-soft"
      value={value}
      onChange={(event) => onChange(event.target.value as Value)}
    >
      {options.map((one) => (
        <option key={one.value} value={one.value} disabled={one.disabled}>
          {one.name}
        </option>
      ))}
    </select>
  );
}
