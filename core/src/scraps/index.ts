export { asRole, guessColumns, SCRAP_ROLES, type ScrapColumn, type ScrapRole } from './columns';
export { guessDateOrder, middleDay, readDay, type DateOrder, type DayRange } from './dates';
export { findLike, isLikeAny, likeness, metalCalled, type NameFound } from './likeNames';
export { readScraps, type ScrapPour, type ScrapTemperature, type UnreadCell } from './readScrap';
export { findTable, type ScrapTable } from './table';
export { guessSheetColumns, readSheet, type SheetColumn, type SheetRow, type SheetValue } from './readSheet';
export { SHEET_FIELDS, SHEET_KINDS, type SheetKind } from './sheetKinds';
