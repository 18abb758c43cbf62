import { NewsLine } from './news-line.ts';

/** A line as a browser would open it, told of by hand. */
class Line extends EventTarget {
  isOpen = true;
  constructor(readonly address: string) {
    super();
  }
  close(): void {
    this.isOpen = false;
  }
  say(kind: string, data = ''): void {
    this.dispatchEvent(Object.assign(new Event(kind), { data }));
  }
}

function begun() {
  const lines: Line[] = [];
  const page = { isSeen: true };
  const line = new NewsLine(
    (address) => {
      const made = new Line(address);
      lines.push(made);
      return made as unknown as EventSource;
    },
    () => page.isSeen,
  );
  const heard: string[] = [];
  line.hearOfMissed(() => heard.push('missed'));
  return { line, lines, page, heard, open: () => lines.filter(({ isOpen }) => isOpen) };
}

it('is one line, whoever hears on it', () => {
  const { line, heard, open } = begun();
  line.hear('job', (data) => heard.push(`job ${data}`));
  line.open('a');
  line.hear('presence', (data) => heard.push(`here ${data}`));
  expect(open().map(({ address }) => address)).toEqual(['/api/live?job=a']);
  open()[0].say('job', '1');
  open()[0].say('presence', '2');
  expect(heard).toEqual(['job 1', 'here 2']);
});

it('brings news of runs only while somebody hears of them', () => {
  const { line, heard, open } = begun();
  line.open(undefined);
  const stop = line.hear('run', (data) => heard.push(data));
  expect(open().map(({ address }) => address)).toEqual(['/api/live?runs=true']);
  open()[0].say('run', 'r');
  stop();
  expect(open().map(({ address }) => address)).toEqual(['/api/live?']);
  open()[0].say('run', 'too late');
  expect(heard).toEqual(['r']);
});

it('says that news may have been missed whenever it is open: at first, and after a break', () => {
  const { line, heard, open } = begun();
  line.open('a');
  expect(heard).toEqual([]);
  open()[0].say('open');
  open()[0].say('error');
  expect(heard).toEqual(['missed']);
  open()[0].say('open');
  expect(heard).toEqual(['missed', 'missed']);
  open()[0].say('missed');
  expect(heard).toEqual(['missed', 'missed', 'missed']);
});

it('is closed while the page is out of sight, and opened anew once it is back', () => {
  const { line, lines, page, heard, open } = begun();
  line.open('a');
  page.isSeen = false;
  line.renew();
  expect(open()).toEqual([]);
  page.isSeen = true;
  line.renew();
  open()[0].say('open');
  expect([lines.length, heard]).toEqual([2, ['missed']]);
});

it('is there for runs alone too', () => {
  const { line, open } = begun();
  const stop = line.hear('gone', () => undefined);
  expect(open().map(({ address }) => address)).toEqual(['/api/live?runs=true']);
  stop();
  expect(open()).toEqual([]);
});

it('hears nothing once it is closed', () => {
  const { line, open } = begun();
  line.open('a');
  line.close();
  expect(open()).toEqual([]);
});
