import { useEffect, useRef, useState } from 'react';
import { pictureTurns } from './picture-turns.ts';

/** A picture is asked for when it is so near to being seen. */
const NEAR = '300px';

/**
 * A picture that the server may have to draw first. It waits for its turn, and is given up once it is not wanted: a picture
 * that is only taken out of a page goes on loading, and being drawn.
 */
export function ProofPicture({
  source,
  alt,
  eager = false,
  className = '',
  keepsLast = false,
}: {
  source: string;
  alt: string;
  /** True where it is asked for out of sight too. */
  eager?: boolean;
  className?: string;
  /** True where the picture before it is shown until it is there. */
  keepsLast?: boolean;
}) {
  const image = useRef<HTMLImageElement>(null);
  const [state, setState] = useState<{ source: string; is: 'shown' | 'failed' }>();
  const is = state?.source === source ? state.is : 'awaited';
  const isSeen = is === 'shown' || (keepsLast && state?.is === 'shown');
  useEffect(() => {
    const element = image.current;
    if (!element) return;
    let end: (() => void) | undefined;
    const ask = (): void => {
      end ??= pictureTurns.ask(() => {
        element.src = source;
      });
    };
    const ended = (outcome: 'shown' | 'failed') => () => {
      end?.();
      setState({ source, is: outcome });
    };
    const [onLoad, onError] = [ended('shown'), ended('failed')];
    element.addEventListener('load', onLoad);
    element.addEventListener('error', onError);
    const observer = new IntersectionObserver(
      (entries) => {
        if (entries.some(({ isIntersecting }) => isIntersecting)) ask();
      },
      // Of what scrolls within the page too, where a browser knows of that.
      { rootMargin: NEAR, scrollMargin: NEAR },
    );
    if (eager) ask();
    else observer.observe(element);
    return () => {
      observer.disconnect();
      element.removeEventListener('load', onLoad);
      element.removeEventListener('error', onError);
      if (!element.complete) element.removeAttribute('src');
      end?.();
    };
  }, [source, eager]);
  if (is === 'failed')
    return <span className="px-3 text-center text-[12px] text-ink">This one could not be drawn.</span>;
  return (
    <img
      ref={image}
      alt={alt}
      data-shown={is === 'shown'}
      // A browser shows a picture that it has not been told of as a broken one.
      className={`${className} ${isSeen ? '' : 'opacity-0'}`}
    />
  );
}
