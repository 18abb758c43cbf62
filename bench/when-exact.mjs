/** Teaches a page `whenExact(start)`: milliseconds from then to the moment when the table says that its picture is exact. */
export const teachWhenExact = (page) =>
  page.evaluate(() => {
    window.whenExact = (start) =>
      new Promise((done) => {
        const canvas = document.querySelector('[data-testid=table-canvas]');
        const observer = new MutationObserver(() => {
          if (canvas.dataset.sharpness !== 'exact') return;
          observer.disconnect();
          done(Math.round(performance.now() - start));
        });
        observer.observe(canvas, { attributes: true, attributeFilter: ['data-sharpness'] });
      });
  });
