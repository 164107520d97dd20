export { default as HistoryList } from './HistoryList.vue';
export { default as ItemForm } from './ItemForm.vue';
export { default as LearntLine } from './LearntLine.vue';
export { default as PouringChoice } from './PouringChoice.vue';
export { itemFrom, TEMPLATES } from './bookItems';
export { default as WhatYouHave } from './WhatYouHave.vue';
export { PROFILE_FIELDS } from './printFields';
export { useItemEdit } from './useItemEdit';
