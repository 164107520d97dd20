export { asRole, guessColumns, SCRAP_ROLES, type ScrapColumn, type ScrapRole } from './columns';
export { guessDateOrder, middleDay, readDay, type DateOrder, type DayRange } from './dates';
export { findLike, isLikeAny, likeness, metalCalled, type NameFound } from './likeNames';
export { readScraps, type ScrapPour, type ScrapTemperature, type UnreadCell } from './readScrap';
export { findTable, type ScrapTable } from './table';
