import { STAGES } from '@zero-pour/core';
import { createRouter, createWebHistory } from 'vue-router';
import BoardPage from './board/BoardPage.vue';

declare module 'vue-router' {
  interface RouteMeta {
    title?: string;
    /** Shown without the bar. */
    bare?: boolean;
    /**
     * Patterns of a large shop that the page is shown with: those that pours and molds in sight name, and no others; or the
     * others `later`, for what may be chosen. Absent: all of them.
     */
    patterns?: 'named' | 'later';
  }
}

const stages = STAGES.map((stage) => stage.key).join('|');

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'board', component: BoardPage, meta: { patterns: 'named', title: 'Board' } },
    {
      path: `/pours/:id/:stage(${stages})?`,
      name: 'pour',
      component: () => import('./pour/PourPage.vue'),
      props: true,
      meta: { patterns: 'later' },
    },
    {
      path: '/p/:number(\\d{1,9})',
      name: 'scanned',
      component: () => import('./pour/ScannedPage.vue'),
      props: true,
      meta: { patterns: 'named' },
    },
    {
      path: '/pours/:id/bench/:stage(clean|invest|pour)',
      name: 'bench',
      component: () => import('./bench/BenchPage.vue'),
      props: true,
      meta: { patterns: 'later', bare: true },
    },
    {
      path: '/molds/:id([0-9a-f-]{36})/bench',
      name: 'moldBench',
      component: () => import('./bench/MoldBenchPage.vue'),
      props: true,
      meta: { patterns: 'named', bare: true, title: 'Making a mold' },
    },
    {
      path: '/pours/:id/sheet',
      name: 'sheet',
      component: () => import('./pour/sheet/SheetPage.vue'),
      props: true,
      meta: { patterns: 'named', bare: true, title: 'Plate sheet' },
    },
    {
      path: '/pours/:id/labels',
      name: 'labels',
      component: () => import('./paper/LabelsPage.vue'),
      props: true,
      meta: { patterns: 'named', bare: true, title: 'Labels' },
    },
    {
      path: '/pours/:id/hand-over',
      name: 'handOver',
      component: () => import('./paper/HandOverPage.vue'),
      props: true,
      meta: { patterns: 'named', bare: true, title: 'Hand-over sheet' },
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
      meta: { patterns: 'later', title: 'Patterns' },
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
      meta: { patterns: 'named', title: 'Shop' },
    },
    {
      path: '/record/compare',
      name: 'comparePours',
      component: () => import('./record/ComparePours.vue'),
      meta: { patterns: 'named', title: 'Compare two pours' },
    },
    {
      path: '/record/recipes',
      name: 'recipes',
      component: () => import('./record/RecipesPage.vue'),
      meta: { patterns: 'named', title: 'Recipes' },
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
      meta: { patterns: 'named', title: 'Trends' },
    },
    {
      path: '/record/groups',
      name: 'groups',
      component: () => import('./record/GroupsPage.vue'),
      meta: { patterns: 'named', title: 'Months and groups' },
    },
    {
      path: '/record/month/:month(\\d{4}-\\d{2})',
      name: 'month',
      component: () => import('./record/MonthPage.vue'),
      props: true,
      meta: { patterns: 'named', title: 'A month of pours' },
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
      meta: { patterns: 'named', title: 'Record' },
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
      meta: { patterns: 'named', title: 'The week’s list' },
    },
    { path: '/:rest(.*)*', redirect: '/' },
  ],
});

router.afterEach((to) => {
  if (to.meta.title !== undefined) document.title = `${to.meta.title} · Zero Pour`;
});
