import { useDocument } from '../../store/use-job.ts';
import { PlateCard } from './plate-card.tsx';
import { Readout } from './readout.tsx';

/** The set of plates the job will burn, and what is under the pointer. */
export function Rack() {
  const { recipe } = useDocument();
  return (
    <section
      aria-label="Plate rack"
      className="flex h-[124px] shrink-0 items-center gap-3 bg-rack px-3.5 max-md:h-[60px] max-md:overflow-hidden"
    >
      {recipe.plates.map((plate, index) => (
        <PlateCard key={plate.id} index={index} />
      ))}
      <div className="ml-auto self-center">
        <Readout />
      </div>
    </section>
  );
}
