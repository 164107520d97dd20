import { STAGES } from '@zero-pour/core';
import { createRouter, createWebHistory } from 'vue-router';
import BoardPage from './board/BoardPage.vue';

const stages = STAGES.map((stage) => stage.key).join('|');

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'board', component: BoardPage, meta: { title: 'Board' } },
    {
      path: `/pours/:id/:stage(${stages})?`,
      name: 'pour',
      component: () => import('./pour/PourPage.vue'),
      props: true,
    },
    {
      path: '/p/:number(\\d{1,9})',
      name: 'scanned',
      component: () => import('./pour/ScannedPage.vue'),
      props: true,
    },
    {
      path: '/pours/:id/bench/:stage(clean|invest|pour)',
      name: 'bench',
      component: () => import('./bench/BenchPage.vue'),
      props: true,
      meta: { bare: true },
    },
    {
      path: '/molds/:id([0-9a-f-]{36})/bench',
      name: 'moldBench',
      component: () => import('./bench/MoldBenchPage.vue'),
      props: true,
      meta: { bare: true, title: 'Making a mold' },
    },
    {
      path: '/pours/:id/sheet',
      name: 'sheet',
      component: () => import('./pour/sheet/SheetPage.vue'),
      props: true,
      meta: { bare: true, title: 'Plate sheet' },
    },
    {
      path: '/pours/:id/labels',
      name: 'labels',
      component: () => import('./paper/LabelsPage.vue'),
      props: true,
      meta: { bare: true, title: 'Labels' },
    },
    {
      path: '/pours/:id/hand-over',
      name: 'handOver',
      component: () => import('./paper/HandOverPage.vue'),
      props: true,
      meta: { bare: true, title: 'Hand-over sheet' },
    },
    {
      path: '/resins/:id([0-9a-f-]{36})/sheet',
      name: 'resinSheet',
      component: () => import('./paper/ResinSheetPage.vue'),
      props: true,
      meta: { bare: true, title: 'Sheet of a resin' },
    },
    {
      path: '/patterns/:id?',
      name: 'patterns',
      component: () => import('./pattern/PatternsPage.vue'),
      props: true,
      meta: { title: 'Patterns' },
    },
    {
      path: '/resins/:id([0-9a-f-]{36})?/:view?',
      name: 'resins',
      component: () => import('./resins/ResinsPage.vue'),
      props: true,
      meta: { title: 'Resins' },
    },
    {
      path: '/resins/compare',
      name: 'compare',
      component: () => import('./resins/compare/ComparePage.vue'),
      meta: { title: 'Compare resins' },
    },
    {
      path: '/sizes/why',
      name: 'why',
      component: () => import('./sizes/WhyPage.vue'),
      meta: { title: 'Why it came out off' },
    },
    {
      path: '/sizes/:view(series)?/:id?',
      name: 'sizes',
      component: () => import('./sizes/SizesPage.vue'),
      props: true,
      meta: { title: 'Sizes' },
    },
    {
      path: '/molds/:id([0-9a-f-]{36})?',
      name: 'molds',
      component: () => import('./molds/MoldsPage.vue'),
      props: true,
      meta: { title: 'Molds' },
    },
    {
      path: '/shop/:kind?/:id?',
      name: 'shop',
      component: () => import('./shop/ShopPage.vue'),
      props: true,
      meta: { title: 'Shop' },
    },
    {
      path: '/record/compare',
      name: 'comparePours',
      component: () => import('./record/ComparePours.vue'),
      meta: { title: 'Compare two pours' },
    },
    {
      path: '/record/recipes',
      name: 'recipes',
      component: () => import('./record/RecipesPage.vue'),
      meta: { title: 'Recipes' },
    },
    {
      path: '/record/pictures',
      name: 'pictures',
      component: () => import('./record/PicturesPage.vue'),
      meta: { title: 'Pictures side by side' },
    },
    {
      path: '/record/trends',
      name: 'trends',
      component: () => import('./record/TrendsPage.vue'),
      meta: { title: 'Trends' },
    },
    {
      path: '/record/groups',
      name: 'groups',
      component: () => import('./record/GroupsPage.vue'),
      meta: { title: 'Months and groups' },
    },
    {
      path: '/record/month/:month(\\d{4}-\\d{2})',
      name: 'month',
      component: () => import('./record/MonthPage.vue'),
      props: true,
      meta: { title: 'A month of pours' },
    },
    {
      path: '/record/old',
      name: 'scraps',
      component: () => import('./scraps/ScrapsPage.vue'),
      meta: { title: 'Old records' },
    },
    {
      path: '/record',
      name: 'record',
      component: () => import('./record/RecordPage.vue'),
      meta: { title: 'Record' },
    },
    {
      path: '/inbox',
      name: 'inbox',
      component: () => import('./capture/InboxPage.vue'),
      meta: { title: 'Noted at the bench' },
    },
    {
      path: '/week',
      name: 'week',
      component: () => import('./week/WeekPage.vue'),
      meta: { title: 'The week’s list' },
    },
    { path: '/:rest(.*)*', redirect: '/' },
  ],
});

router.afterEach((to) => {
  if (typeof to.meta['title'] === 'string') document.title = `${to.meta['title']} · Zero Pour`;
});
