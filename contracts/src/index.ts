export { ERRORS, errorSentence, type ErrorCode, type ErrorDetail, type ErrorText } from './errors';
export { apiErrorSchema, parseOrRefuse, Refusal, StaleRefusal, type ApiErrorBody } from './apiError';
export {
  numberField,
  quantitySchema,
  readingSchema,
  readingValue,
  schemaAt,
  type NumberField,
  type Reading,
} from './quantities';
export { hashSchema, idSchema, keySchema, momentSchema } from './parts';
export { FIGURE_FROM, KNOWN, reportedSettingSchema, RESIN_FAMILIES } from './shop/resin';
export { PRINTER_EVENTS } from './shop/machines';
export { profileName, usualPrinter, usualProfile, usualResin } from './shop/usual';
export { changedFields, historySchema, type History } from './shop/history';
export { COUPON_FLAWS, WIDTH_KINDS } from './record/trial';
export {
  BENCH_RECORD_SCHEMAS,
  RECORD_SCHEMAS,
  emptyRecords,
  pourYieldsSchema,
  RECORD_KINDS,
  recordKindSchema,
  recordListsSchema,
  type BenchRecord,
  type CureTest,
  type PourYield,
  type RecordDoc,
  type RecordKind,
  type RecordLists,
  type MetalLot,
  type Mold,
  type MoldTest,
  type Recipe,
  type ScrapBatch,
  type Slip,
  type SizeSeries,
  type TestSetRun,
  type Trial,
} from './record/kinds';
export {
  emptyShopLists,
  SHOP_ITEM_SCHEMAS,
  SHOP_KINDS,
  SHOP_SCHEMAS,
  shopKindSchema,
  type Alloy,
  type Flask,
  type Kiln,
  type Powder,
  type Printer,
  type Profile,
  type Programme,
  type Resin,
  type ShopFields,
  type ShopItem,
  type ShopKind,
  type ShopLists,
} from './shop/kinds';
export {
  benchClock,
  DEFAULT_SETTINGS,
  settingsSchema,
  jointsOf,
  personClock,
  usualPouring,
  workMinutesOf,
  type Bath,
  type CureSetup,
  type BenchExceptionDay,
  HOUSE_SPRUES,
  HOUSE_TAKES,
  type House,
  type Costs,
  type Investing,
  type Joints,
  type Person,
  type Planning,
  type Pouring,
  type Readers,
  type Settings,
  type RouteTimes,
} from './settings';
export {
  newPatternSchema,
  fileSpruesSchema,
  patternChangeSchema,
  pieceMeasure,
  listedPatternSchema,
  isWholePattern,
  type ListedPattern,
  type FileSprues,
  patternSchema,
  type NewPattern,
  type Pattern,
  type PatternChange,
} from './pattern';
export { knownPartsSchema, patternReadingSchema, type KnownPart } from './patternAnalysis';
export {
  emptyPourDoc,
  POUR_FORMAT,
  POUR_VERSION,
  pourDocSchema,
  repeatPourDoc,
  sparesOf,
  withPatterns,
  type PourDoc,
} from './pour/pourDoc';
export * from './pour/recordSums';
export { RECIPE_PARTS, type RecipePart, type RecipeSays, type UsedRecipe } from './pour/recipe';
export { pourDiffers, recipeChanges, recipeDiffers, recipeOf, withRecipe } from './pour/usesRecipe';
export {
  applyChanges,
  CHANGES_MAX,
  changesSchema,
  fieldChangeSchema,
  pathsMeet,
  valueAt,
  type FieldChange,
  clashesOf,
  OVER_MOST,
} from './pour/change';
export type { PourPath, PourValue } from './pour/pourPath';
export { masterKey, pieceKey, readPieceKey, type NamedPiece, type PieceKey } from './pour/pieces';
export {
  ARRANGEMENTS,
  type Arrangement,
  USUAL_BRANCH_MM,
  anyPoured,
  emptyFlask,
  FIRST_FLASK,
  HANGS,
  pouredAt,
  ranOf,
  type HungAt,
  type Opened,
  type PourFlask,
} from './pour/pourFlask';
export {
  tellPour,
  tellCast,
  tellPrint,
  tellSizes,
  TELLS_VERSION,
  type PourTells,
  type ToldCasting,
  type ToldYield,
} from './pour/tellPour';
export { upgradePour } from './pour/upgrade/upgradePour';
export { upgradeUsed } from './pour/upgrade/upgradeUsed';
export { upgradeChanges } from './pour/upgrade/upgradeChange';
export { refuseNewFaults, type Fault } from './rules/fault';
export { pourFaults } from './rules/pourFaults';
export { itemFaults, recordFaults, settingsFaults } from './rules/itemFaults';
export { fieldWords } from './placeWords';
export { unreadSentence, whyUnread, type Unread } from './unread';
export {
  AFTER_PRINT,
  BURN_EVENTS,
  WATER_KINDS,
  PIECE_OUTCOMES,
  SUPPORT_MAKERS,
  SUPPORT_WEIGHTS,
  SUPPORTS_CAME,
  type BurnEvent,
  type MixedBowl,
  type PrintedPlate,
  type StepRecord,
} from './pour/making';
export type { BriefLine, PlannedWeek, PourGate } from './pour/planning';
export { becameOf, HAPPENINGS, type Casting, type Flaw, type Happening } from './pour/outcome';
export type { Assembly, FinishingStep, FinishPlan, PlannedCut, PlannedSideOf } from './pour/finishing';
export type { Trying, WhySaid } from './pour/why';
export {
  castLessonsSchema,
  openingsToldSchema,
  pouredCastsSchema,
  heatFlasksSchema,
  type HeatFlask,
  type OpeningTold,
  type CastLessons,
  type PouredCast,
} from './pour/pouredCasts';
export {
  AT_THE_END,
  FIRST_SIZE,
  MOLD_MATERIAL_NAMES,
  ON_THE_WAY,
  SIZE_KINDS,
  surfaceOf,
  wantedMm,
  type CastingSizes,
  type ScaleStage,
  type SizeKind,
  type SizeTarget,
} from './pour/sizes';
export { pouredSizesListSchema, type PouredSizes } from './pour/pouredSizes';
export { pouredPrintsSchema, type PouredPrint } from './pour/pouredPrints';
export { emptyMold, MOLD_STATES, type MoldState, type Shot } from './record/mold';
export { LOT_MOVES, LOT_ORIGINS, type LotMoveRow } from './record/metalLot';
export { SIZE_AXES } from './record/sizeSeries';
export {
  discardSchema,
  newPourSchema,
  pourSchema,
  usedItemsSchema,
  type Pour,
  type UsedItems,
} from './pour/pour';
export * from './causeTable';
export * from './pour/recordLine';
export {
  blobSchema,
  BUILD_HEADER,
  changedPourSchema,
  findHitsSchema,
  healthSchema,
  keptReadingSchema,
  namedPatternsSchema,
  type Revisions,
  patternPageSchema,
  pourListSchema,
  readingAnswerSchema,
  recordsSchema,
  refusedChangeSchema,
  SHOP_HEADER,
  toldChangeSchema,
  type ToldChange,
  WINDOW_HEADER,
  shopStateSchema,
  type FindHit,
  type ChangedPour,
  type PourList,
  type Records,
  type ReadingAnswer,
  type RefusedChange,
  type ShopState,
  pourIdSchema,
} from './api';
export { SHOP_FILE_FORMAT, SHOP_FILE_VERSION, shopFileSchema, type ShopFile } from './shopFile';
export { alloysFromBook, programmesFromBook } from './shop/fromBook';
export { quantityFaults } from './rules/quantityFaults';
export { numbersOf, type KeptNumber } from './rules/numbersOf';
export { COMPOSITION_OFF, compositionSum, segmentSchema, type MakerProgramme } from './shop/casting';
export { priceFeedSchema, type PriceFeed } from './priceFeed';
export {
  kilnCurveSchema,
  kilnRunListSchema,
  kilnRunSchema,
  MOST_RUN_ROWS,
  newKilnRunSchema,
  type KilnCurve,
  type KilnRun,
  type NewKilnRun,
} from './kilnRun';
export {
  DEVICE_FORMAT,
  DEVICE_VERSION,
  deviceHelloSchema,
  handDeviceSchema,
  handReadingSchema,
  type HandDevice,
  type HandReading,
  deviceListSchema,
  deviceReadingSchema,
  deviceReadingsSchema,
  deviceRunSchema,
  sendRunSchema,
  troublesSchema,
  type DeviceHello,
  type DeviceKind,
  type DeviceList,
  type DeviceReading,
  type DeviceRun,
  type DeviceState,
  type SendRun,
  type Troubles,
} from './device';
export {
  FACT_NAMES,
  FACT_NUMBERS,
  madeWithListSchema,
  RECORD_SORTS,
  recordQuerySchema,
  tellFacts,
  type FactName,
  type MadeWith,
  type RecordFacts,
  type RecordQuery,
} from './pour/recordFacts';
export * from './network';
export { SLIP_SUBJECTS, type SlipSubject } from './record/slip';
export * from './archive';
export { scrapBatchSchema, type Scrap, type ScrapBatchDoc } from './pour/scrap';
export * from './takeScraps';
export * from './share';
export * from './safekeeping';
