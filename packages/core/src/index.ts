/** What the core offers to the job document, the server and the interface, room by room. Tests and benchmarks that look further in name the file. */

// Lifetimes of a thread's work
export { beginTask, endTasks } from './raster/band-plane.ts';
export { emptyPixelCaches, setCacheShare } from './base/cache.ts';
export { slowBecause } from './kernel/memory.ts';

// Fields of kinds, errors, exact turns
export { told } from './base/told.ts';
export { present } from './base/present.ts';
export { MissingMaterial, OutOfKernelMemory, UnknownKind, type Material } from './base/errors.ts';
export {
  counts,
  type ChoiceField,
  type CurveField,
  type Field,
  type Fields,
  type MotifField,
  type NumberField,
  type SeedField,
  type SpotField,
  type StrokesField,
  type Stroke,
  type TonesField,
} from './base/field.ts';
export { clamp, rounded } from './base/numbers.ts';
export { turnOf } from './base/turn.ts';

// Pixels: planes, bits, pictures, grids
export { type Affine, after, moved, scaled, mapPoint, inverse } from './raster/affine.ts';
export { type Bits, bitAt, enlargeBits } from './raster/bits.ts';
export { colourAt } from './raster/colour-at.ts';
export { MM_PER_INCH, type Frame, mmToPixels } from './raster/frame.ts';
export { writePam, readPam } from './raster/pam.ts';
export type { Picture } from './raster/picture.ts';
export { SOLID, createPlane, percentToCoverage, coverageToPercent } from './raster/plane.ts';
export { type Pyramid, levelCount, halve, buildPyramid } from './raster/pyramid.ts';
export { bands, type Region } from './raster/region.ts';

// Colour
export { luma709 } from './colour/luma.ts';
export { MIX_BLENDS, type MixBlend } from './colour/mix-blends.ts';
export { blendOf, COLOUR_BLEND_NAMES, type Blend, type ColourBlend } from './colour/blend.ts';
export { difference2000 } from './colour/difference.ts';
export { linearToSrgb } from './colour/srgb.ts';
export { type Lab, xyzToLab, labToXyz, xyzToLinear, labToHex, hexToLab } from './colour/lab.ts';
export { srgbToLinear, type LinearRgb, encode8 } from './colour/srgb.ts';
export { wideToXyz, labToWide } from './colour/wide-rgb.ts';

// Inks on stock
export {
  type Fountain,
  type Ink,
  type Overprint,
  TEXTURES,
  type Texture,
  type Stock,
  type StockPicture,
} from './ink/ink.ts';
export { inkOf } from './ink/ink-of.ts';
export { inkModel, predict } from './ink/model.ts';
export { overprintLight } from './ink/overprint.ts';
export { textureAt } from './ink/texture.ts';

// Geometry of line art
export { type Contour, mapContour } from './path/contour.ts';
export { parseContours } from './path/parse-path.ts';
export type { StrokeStyle } from './path/stroke.ts';
export { type Shape, type Clip, type Drawing, DRAWING_UNITS } from './drawing/drawing.ts';

// Lettering
export { type Lettering, outlineLettering, letteringSize } from './lettering/lettering.ts';
export type { Typeface } from './lettering/typeface.ts';

// Gradients
export {
  type GradientStop,
  type GradientTone,
  type Gradient,
  toneAlong,
  colourAlong,
  colourOf,
  gradientTones,
  isColoured,
} from './gradient/gradient.ts';
export { withShape } from './gradient/with-shape.ts';
export { type MaskPart, type PlateMask } from './recipe/plate-mask.ts';
export type { PlateRegion } from './recipe/plate-region.ts';
export { sourcePixels } from './separation/source-pixels.ts';

// Tone: grey, steps, curves
export { packedPoints, pointsOf, thinned, type StrokePoint } from './tone/stroke-points.ts';
export { weightsThatPart } from './tone/auto-grey.ts';
export { type CurvePoint, STRAIGHT, monotoneCurve } from './tone/curve.ts';
export { type HueWeights, weightsOf, BT709 } from './tone/grey.ts';
export { levelEnds } from './tone/level-ends.ts';
export { pictureEnds } from './tone/picture-ends.ts';
export { toneHistogram } from './tone/histogram.ts';
export type { Levels } from './tone/levels.ts';
export { STEP_KINDS, stepKind, startOf } from './tone/steps/index.ts';
export type { StepKind } from './tone/steps/step.ts';
export { type ToneStep, NO_TONE } from './tone/tone.ts';

// Screens
export { SCREEN_KINDS, screenKind } from './screen/kinds/index.ts';
export {
  type Screen,
  newScreen,
  screenGridOf,
  screenerFor,
  screenTransfer,
  latticeOf,
  greyLevels,
} from './screen/screen.ts';
export { SPOTS } from './screen/spot/index.ts';
export { readMotif, MOTIFS } from './screen/spot/motif.ts';

// The press
export { gainCurve, GAIN_LIMITS, middleGain, type Gain } from './press/gain.ts';
export { gainOf, sameName, type JobPress, type Mesh, type Press, type PressKind } from './press/press.ts';

// Separation: routes from originals to inks
export { inkOfColour, pickColours } from './separation/pick-inks.ts';
export { type ProcessInks } from './separation/process-inks.ts';
export { type RouteField, type RouteFields } from './separation/route-field.ts';
export {
  INTENTS,
  profileTableName,
  type Intent,
  type ProfileUse,
  type RouteKind,
  type RouteStart,
  type StartedRoute,
} from './separation/route-kind.ts';
export {
  inkLimit,
  isOnStock,
  modelTables,
  picturesOf,
  profileOf,
  routeInks,
  routeModel,
} from './separation/route.ts';
export { type HueInk, type HuesRoute } from './separation/routes/hues.ts';
export { type BandsRoute, type PaintedInk } from './separation/routes/bands.ts';
export { ROUTES, routeKind, type Route } from './separation/routes/index.ts';
export { type InkRoute } from './separation/routes/ink.ts';
export { newProcess, type ProcessRoute } from './separation/routes/process.ts';
export { type ProfileRoute } from './separation/routes/profile.ts';
export { type SpotRoute } from './separation/routes/spot.ts';
export { type StockRoute } from './separation/routes/stock.ts';
export { type TonesRoute } from './separation/routes/tones.ts';
export { type SeparationTable } from './separation/table.ts';

// The recipe of a job and what it is made from
export { asFilms, asPrinted } from './recipe/as-printed.ts';
export { askedShare } from './plate/asked-share.ts';
export { plateTransfer } from './plate/plate-transfer.ts';
export type { ColourDots } from './recipe/colour-dots.ts';
export type { Container } from './recipe/container.ts';
export type { CutOut } from './recipe/cut-out.ts';
export type { Fade } from './recipe/fade.ts';
export { frameOf, filmFrame } from './recipe/frame.ts';
export type { Mix } from './recipe/mix.ts';
export { plainPlate, WHITE_STOCK } from './recipe/plain-plate.ts';
export type {
  Tint,
  Crop,
  Placement,
  LineWork,
  PictureContent,
  Content,
  OriginalRecipe,
  PlateRecipe,
  Recipe,
} from './recipe/recipe.ts';
export type { Scene } from './recipe/scene.ts';

// Where originals lie
export { contentKind } from './original/contents/index.ts';
export { type ContentFile, type ContentKind, type Size } from './original/content-kind.ts';
export { boxCorners, boxToPicture, effectiveResolution, sheetToBox } from './original/placed.ts';
export { gradientOf, hasTones, placedHeight, smallSource } from './original/place-original.ts';

// Plates: the one way from recipe to bits
export { inkSetOf } from './recipe/ink-set.ts';
export { isSequential, plateBits, preparePlate } from './plate/evaluate.ts';
export { plateCoverage } from './plate/plate-art.ts';
export { dotTransfer } from './plate/plate-transfer.ts';

// Films
export {
  type FilmFormat,
  type FilmJob,
  type FilmOptions,
  type FilmWritten,
} from './film/formats/film-format.ts';
export { FILM_FORMATS, filmFormat, type FilmFormatId } from './film/formats/index.ts';
export { stripRows } from './film/film-file.ts';
export { filmLayout, type FilmLayout } from './film/film-layout.ts';
export { NO_WORDS, type FilmWords } from './film/film-words.ts';
export { filmBits } from './film/film-bits.ts';
export { filmForecast, type FilmForecast } from './film/film-forecast.ts';
export { toFilmCoverage, tonesUnderLines, toneRows } from './film/film-coverage.ts';
export { toFilm } from './film/emulsion.ts';
export { filmFacts, packStrip } from './film/make-film.ts';
export { filmStrips } from './film/strips.ts';
export type { GeometryPacking, GeometryParts, PackedPiece, PackedPieces } from './film/pieces.ts';
export { screenFacts } from './film/screen-facts.ts';
export { marksLines, marksPaths } from './film/marks/marks-paths.ts';
export { filmMarks } from './film/marks/film-marks.ts';
export {
  perMmOf,
  plateLines,
  plateParts,
  plateShapes,
  type PlatePath,
  type PlateShapes,
} from './vector/plate-group.ts';
export { pdfDotsData, pdfPathData } from './vector/pdf-path-data.ts';
export { unitsOf, type Units } from './vector/units.ts';
export {
  PANEL_FOOT,
  PANEL_RULER,
  panelScale,
  panelsOf,
  stripsOf,
  usedSeams,
  type Panel,
} from './film/panels/panel-plan.ts';
export { quietSeams, seamsFit, type Strip } from './film/panels/seams.ts';
export { SEAM_STEP, seamCosts } from './film/panels/seam-costs.ts';
export type { KeptWhole, Panels } from './recipe/panels.ts';
export { gangBits, type GangedPlate } from './film/gang-bits.ts';
export type { MmBox } from './film/marks/mark-art.ts';
export { MARK_KINDS, markKind, newMark, usualMarks } from './film/marks/index.ts';
export type { Marks, MarkUse } from './recipe/marks.ts';
export { encodeGroup4, group4Stream } from './film/group4.ts';
export { writeOriginal } from './film/original-file.ts';
export { colourPng } from './film/png.ts';
export { type Sink, memorySink } from './film/sink.ts';
export { tiffFile } from './film/tiff.ts';
export { countInk } from './raster/bits.ts';

// Dots as geometry
export { colourDotsSvg } from './vector/colour-dots-svg.ts';
export { vectorManner, type VectorOptions } from './vector/plate-group.ts';
export { vectorSize, type VectorSize } from './film/vector-size.ts';

// What is seen
export { labsOf, coloursAt } from './proof/colours-at.ts';
export { toneView, originalView, REACH, reachView } from './proof/contone.ts';
export {
  picture,
  pictureBands,
  pictureSize,
  ppiOfPixels,
  type PictureSize,
  type PictureWish,
} from './proof/picture.ts';
export { type ProofLook, PLAIN_LOOK, pressProof } from './proof/press-proof.ts';
export type { PlatesView, SceneView, Shown, View, ViewRows } from './proof/plates-view.ts';
export { proof } from './proof/proof.ts';
export { reachSummary } from './proof/reach.ts';

// The press check
export { type Finding, type OfferedMend, type Place, type Severity } from './check/finding.ts';
export { pressCheck, pressCheckInParts } from './check/press-check.ts';
export { angleDial, DIAL_STEP, type AngleDial } from './check/loudness.ts';

// Calibration: a press measured by a printed target
export {
  calibrated,
  fittedGain,
  layoutOf,
  LEAST_READINGS,
  type CalibratedInk,
  type Calibration,
  type LadderReading,
  type ReadingSource,
} from './calibration/calibration.ts';
export { type FittedGain, type ToneReading } from './calibration/fit-gain.ts';
export { readScan } from './calibration/read-scan.ts';
export { readTable, type TableReading } from './calibration/read-table.ts';
export { UnreadableScan } from './calibration/scan-problem.ts';
export { simulatedScan, STRAIGHT_SCAN, type SimulatedScan } from './calibration/simulated/simulated-scan.ts';
export { type LightPicture } from './calibration/simulated/simulated-press.ts';
export { simulatedJobPrint, type PrintedShare } from './calibration/simulated/simulated-job.ts';
export {
  simulatedPressFor,
  simulatedReadings,
  simulatedTarget,
} from './calibration/simulated/simulated-target.ts';
export { targetReading, type TargetReading } from './calibration/target-reading.ts';
export { straightScan } from './calibration/straight-scan.ts';
export { UnreadableTable } from './calibration/table-text.ts';
export { targetFilm, targetFrame } from './calibration/target-bits.ts';
export {
  MOST_TARGET_INKS,
  PATCH,
  TARGET_TONES,
  targetLayout,
  type Patch,
  type TargetLayout,
} from './calibration/target-layout.ts';
export { murrayDaviesOfDensities } from './calibration/tone-value.ts';
export { patchList, readingList } from './calibration/write-table.ts';
