import { describe, expect, it } from '@jest/globals';
import { actOffers } from '../src/frame/acts.js';

const PLAN = { name: 'plan', params: { id: 'p' } };
const COURSE = { name: 'course', params: { id: 'c' } };
const DESK = { name: 'desk', params: {} };
const first = (typed: string, place: Parameters<typeof actOffers>[1]) => actOffers(typed, place)[0];

describe('everyday words in the field at the top', () => {
  it('lead within the plan that is open', () => {
    expect(first('due dates', PLAN)).toMatchObject({ title: 'Dates', to: { params: { id: 'p', knot: 'when' } } });
    expect(first('weights', PLAN)).toMatchObject({ to: { params: { knot: 'what' }, query: { by: 'category' } } });
    expect(first('announcements', PLAN)).toMatchObject({
      title: 'Announcements',
      to: { params: { id: 'p', knot: 'what' }, query: { only: 'announcement' } },
    });
  });
  it('lead within the course that is open', () => {
    expect(first('due dates', COURSE)).toMatchObject({ to: { name: 'course', params: { id: 'c', part: 'dates' } } });
    expect(first('import', COURSE)).toMatchObject({ to: { name: 'pair', params: { side: 'into', id: 'c' } } });
    expect(first('export', COURSE)).toMatchObject({ to: { name: 'pair', params: { side: 'from', id: 'c' } } });
    expect(first('publish', COURSE)).toMatchObject({ to: { params: { part: 'settings' } } });
  });
  it('lead anywhere else to where that begins, and say what to do there', () => {
    expect(first('copy', DESK)).toMatchObject({
      to: { name: 'desk' },
      detail: 'at the Desk: open the plan of a shell',
    });
    expect(first('module', DESK)).toMatchObject({ title: 'Units', to: { name: 'desk' } });
    expect(first('students', DESK)!.title).toBe('Learners and their work never come');
  });
  it('of nothing that is done lead nowhere', () => expect(actOffers('freshwater', PLAN)).toEqual([]));
});
