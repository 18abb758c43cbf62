/** A colour in sRGB: a swatch that opens the system's own chooser. */
export function ColourField({
  label,
  value,
  onChange,
}: {
  label: string;
  /** #rrggbb. */
  value: string;
  onChange: (value: string, gesture: string) => void;
}) {
  return (
    <input
      type="color"
      aria-label={label}
      title={value}
      className="h-6 w-10 cursor-pointer appearance-none rounded-sm border border-edge bg-transparent p-0 [&::-webkit-color-swatch-wrapper]:p-0 [&::-webkit-color-swatch]:border-0"
      value={value}
      onChange={(event) => onChange(event.target.value, `${label}-chooser`)}
    />
  );
}
