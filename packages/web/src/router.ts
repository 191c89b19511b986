import { createRouter, createWebHistory } from 'vue-router';
import { useSessionStore } from './people/sessionStore.js';

const PlanPage = () => import('./plan/PlanPage.vue');

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'desk', component: () => import('./desk/DeskPage.vue') },
    { path: '/sign-in', name: 'signIn', component: () => import('./people/SignInPage.vue'), meta: { open: true } },
    { path: '/plan/:id/:knot(what|when|left-over)?', name: 'plan', component: PlanPage, props: true },
    {
      path: '/course/:id/:part(outline|gradebook|dates|class-days|files|settings)?',
      name: 'course',
      component: () => import('./course/CoursePage.vue'),
      props: true,
    },
    { path: '/find', name: 'find', component: () => import('./find/FindPage.vue') },
    { path: '/pair/:side(into|from)/:id', name: 'pair', component: () => import('./pair/PairPage.vue'), props: true },
    { path: '/set-up/:id', name: 'setUp', component: () => import('./setUp/SetUpPage.vue'), props: true },
    { path: '/access', name: 'access', component: () => import('./access/AccessPage.vue') },
    { path: '/roster', name: 'roster', component: () => import('./roster/RosterPage.vue') },
    { path: '/calendars', name: 'calendars', component: () => import('./calendars/CalendarsPage.vue') },
    { path: '/calendars/:id', name: 'term', component: () => import('./calendars/TermPage.vue'), props: true },
    { path: '/:rest(.*)*', name: 'nowhere', component: () => import('./shared/NowherePage.vue') },
  ],
});

/** Whoever is not signed in signs in first, and then goes where they wanted. */
router.beforeEach(async (to) => {
  const session = useSessionStore();
  await session.load();
  if (to.meta.open !== true && session.person === null) return { name: 'signIn', query: { to: to.fullPath } };
  return true;
});
