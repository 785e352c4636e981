import type { Code } from '../core/document'
import { isGone, loadAnew } from './api/load-anew'
import { createRouter, createWebHistory } from 'vue-router'
import { isOutdated } from './api/build'
import { onSessionLost } from './api/client'
import { problem } from './shell/problem'
import { useSession } from './stores/session'
import { chooseLanguage, loadWords, t } from './words'

declare module 'vue-router' {
  interface RouteMeta {
    role?: 'instructor' | 'student'
    open?: boolean
    title: Code
  }
}

/** Every place. Views load when first visited. */
export const router = createRouter({
  history: createWebHistory(),
  routes: [
    {
      path: '/sign-in',
      name: 'sign-in',
      meta: { open: true, title: 'ui.common.signIn' },
      component: () => import('./places/account/SignIn.vue'),
    },
    {
      path: '/set-up',
      name: 'set-up',
      meta: { open: true, title: 'ui.shell.setUp' },
      component: () => import('./places/account/SetUp.vue'),
    },
    {
      path: '/account',
      name: 'account',
      meta: { title: 'ui.shell.yourAccount' },
      component: () => import('./places/account/Account.vue'),
    },
    {
      path: '/',
      name: 'home',
      meta: { title: 'ui.common.today' },
      component: () => import('./places/home/Home.vue'),
    },
    {
      path: '/circuits',
      name: 'circuits',
      meta: { role: 'instructor', title: 'ui.common.circuits' },
      component: () => import('./places/circuits/Circuits.vue'),
    },
    {
      path: '/bench/:id',
      name: 'bench',
      meta: { role: 'instructor', title: 'ui.common.bench' },
      component: () => import('./places/bench/Bench.vue'),
    },
    {
      path: '/plant/:id',
      name: 'plant',
      meta: { role: 'instructor', title: 'ui.common.plant' },
      component: () => import('./places/plant/Plant.vue'),
    },
    {
      path: '/sheet/:id',
      name: 'sheet',
      meta: { role: 'instructor', title: 'ui.common.sheet' },
      component: () => import('./places/sheet/Sheet.vue'),
    },
    {
      path: '/desk/:id',
      name: 'desk',
      meta: { title: 'ui.common.desk' },
      component: () => import('./places/desk/Desk.vue'),
    },
    {
      path: '/review/:id',
      name: 'review',
      meta: { role: 'instructor', title: 'ui.common.review' },
      component: () => import('./places/review/Review.vue'),
    },
    {
      path: '/returned/:id',
      name: 'returned',
      meta: { title: 'ui.common.yourReview' },
      component: () => import('./places/review/Review.vue'),
      props: { own: true },
    },
    {
      path: '/paper/:id',
      name: 'paper',
      meta: { role: 'instructor', title: 'ui.shell.fromPaper' },
      component: () => import('./places/paper/Paper.vue'),
    },
    {
      path: '/exams',
      name: 'exams',
      meta: { role: 'instructor', title: 'ui.common.examinations' },
      component: () => import('./places/exams/Exams.vue'),
    },
    {
      path: '/exams/:id',
      name: 'exam',
      meta: { role: 'instructor', title: 'ui.common.examinations' },
      component: () => import('./places/exams/Exam.vue'),
    },
    {
      path: '/drills',
      name: 'drills',
      meta: { title: 'ui.common.drills' },
      component: () => import('./places/drills/Drills.vue'),
    },
    {
      path: '/lessons',
      name: 'lessons',
      meta: { role: 'instructor', title: 'ui.common.lessons' },
      component: () => import('./places/lessons/Lessons.vue'),
    },
    {
      path: '/classes',
      name: 'classes',
      meta: { role: 'instructor', title: 'ui.common.classes' },
      component: () => import('./places/classes/Classes.vue'),
    },
    {
      path: '/days',
      name: 'days',
      meta: { role: 'instructor', title: 'ui.common.labDays' },
      component: () => import('./places/days/Days.vue'),
    },
    {
      path: '/days/:id',
      name: 'day',
      meta: { role: 'instructor', title: 'ui.common.labDay' },
      component: () => import('./places/days/Day.vue'),
    },
    {
      path: '/show/:id',
      name: 'show',
      meta: { role: 'instructor', title: 'ui.common.show' },
      component: () => import('./places/show/Show.vue'),
    },
    {
      path: '/show/lesson/:id',
      name: 'show-lesson',
      meta: { role: 'instructor', title: 'ui.common.show' },
      component: () => import('./places/show/Show.vue'),
      props: { lesson: true },
    },
    {
      path: '/show/desk/:id',
      name: 'show-desk',
      meta: { role: 'instructor', title: 'ui.common.show' },
      component: () => import('./places/show/Aloud.vue'),
    },
    {
      path: '/remote',
      name: 'remote',
      meta: { role: 'instructor', title: 'ui.show.remote' },
      component: () => import('./places/show/Remote.vue'),
    },
    {
      path: '/card/:day/:stand',
      name: 'card',
      meta: { open: true, title: 'ui.common.atTheBench' },
      component: () => import('./places/account/Card.vue'),
    },
    {
      path: '/ledger',
      name: 'ledger',
      meta: { role: 'instructor', title: 'ui.common.ledger' },
      component: () => import('./places/ledger/Ledger.vue'),
    },
    {
      path: '/handbook/:entry?',
      name: 'handbook',
      meta: { title: 'ui.common.handbook' },
      component: () => import('./places/handbook/Handbook.vue'),
    },
    {
      path: '/floor',
      name: 'floor',
      meta: { role: 'instructor', title: 'ui.common.floor' },
      component: () => import('./places/floor/Floor.vue'),
    },
    {
      path: '/rubric',
      name: 'rubric',
      meta: { role: 'instructor', title: 'ui.shell.howItIsMarked' },
      component: () => import('./places/rubric/Rubric.vue'),
    },
    { path: '/:rest(.*)*', redirect: { name: 'home' } },
  ],
})

/** What kept somebody from a place is shown in its stead, with a way to try again. */
router.onError((error: unknown, to) => {
  // Parts of a page of before an upgrade are gone from the server: the newer page has its own.
  if (isGone(error) && loadAnew(to.fullPath)) return
  problem.value = {
    error,
    again: () => {
      problem.value = null
      void router.replace(to.fullPath).catch(() => undefined)
    },
  }
})

onSessionLost(() => {
  const session = useSession()
  if (!session.user) return
  session.lose()
  const { name, fullPath } = router.currentRoute.value
  if (name !== 'sign-in') void router.push({ name: 'sign-in', query: { next: fullPath, ended: '1' } })
})

router.beforeEach(async (to, from) => {
  // There is a newer page: it is loaded when somebody goes on anyway.
  if (isOutdated.value && from.matched.length) {
    window.location.assign(to.fullPath)
    return false
  }
  const session = useSession()
  await session.find()
  if (!session.user) {
    if (session.setUp && to.name !== 'set-up') return { name: 'set-up' }
    if (!session.setUp && to.name !== 'sign-in' && to.name !== 'card')
      return { name: 'sign-in', query: to.fullPath === '/' ? {} : { next: to.fullPath } }
    return true
  }
  await loadWords()
  // Whoever signs in reads in their own language, whoever sat here before.
  if (session.user.language && chooseLanguage(session.user.language)) {
    window.location.replace(to.fullPath)
    return false
  }
  // A password that somebody else chose is changed before anything else.
  if (session.user.mustChange && to.name !== 'account') return { name: 'account' }
  if (to.meta.open || (to.meta.role && to.meta.role !== session.user.role)) return { name: 'home' }
  return true
})

router.afterEach((to) => {
  document.title = `${t(to.meta.title)} · Brachyon`
})
