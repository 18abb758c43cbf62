const ROOM = 1 << 12;
/** Characters that one call adds at most, of numbers. */
const LONGEST = 24;
const LARGEST = 2 ** 31 - 1;
const [ZERO, MINUS] = [48, 45];

/** Digits of the numbers below 10 000, four places each, and how many there are: nearly all that paths are written in. */
const SHORT = 10_000;
const PLACES = 4;
const digits = new Uint8Array(PLACES * SHORT);
const counts = new Uint8Array(SHORT);
for (let number = 0; number < SHORT; number++) {
  const text = String(number);
  counts[number] = text.length;
  for (let i = 0; i < text.length; i++) digits[PLACES * number + i] = text.charCodeAt(i);
}

/** Text that is mostly whole numbers, written as bytes: by the million, strings joined one by one took three times as long. */
export class NumberText {
  private bytes = new Uint8Array(ROOM);
  private length = 0;

  /** @param code of a character of ASCII */
  letter(code: number): void {
    this.need(1);
    this.bytes[this.length++] = code;
  }

  /** A whole number in decimals. */
  whole(number: number): void {
    this.need(LONGEST);
    if (number > LARGEST || number < -LARGEST) {
      this.ascii(String(number));
      return;
    }
    let rest = number | 0;
    if (rest < 0) {
      this.bytes[this.length++] = MINUS;
      rest = -rest;
    }
    if (rest < SHORT) {
      const { bytes } = this;
      const at = this.length;
      const from = PLACES * rest;
      // All four are written, whether or not they are counted.
      bytes[at] = digits[from];
      bytes[at + 1] = digits[from + 1];
      bytes[at + 2] = digits[from + 2];
      bytes[at + 3] = digits[from + 3];
      this.length = at + counts[rest];
      return;
    }
    let end = this.length + 1;
    for (let limit = 10; rest >= limit; limit *= 10) end++;
    this.length = end;
    do {
      const tens = (rest / 10) | 0;
      this.bytes[--end] = ZERO + rest - 10 * tens;
      rest = tens;
    } while (rest > 0);
  }

  /** @param text of ASCII alone */
  ascii(text: string): void {
    this.need(text.length);
    for (let i = 0; i < text.length; i++) this.bytes[this.length++] = text.charCodeAt(i);
  }

  toString(): string {
    return new TextDecoder().decode(this.bytes.subarray(0, this.length));
  }

  private need(more: number): void {
    if (this.length + more <= this.bytes.length) return;
    const wider = new Uint8Array(2 * (this.length + more));
    wider.set(this.bytes);
    this.bytes = wider;
  }
}
