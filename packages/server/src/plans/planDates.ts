import type { ColumnReading, CourseSummary, PreviewDate } from '@yarin/core';
import { writeCalendarFile, writeDateSheet } from '@yarin/formats';
import { timesOf } from '../terms/termStore.js';
import { planFor, type AskedPlan } from './planView.js';
import type { PlanContext, PlanQuery } from './planGrounds.js';

/** The dates of a plan, and what dates that a person writes are read by. */
export interface PlanDates {
  readonly dates: readonly PreviewDate[];
  readonly reading: Omit<ColumnReading, 'order'>;
}

/** A text to be kept as a file. */
export interface DateFile {
  readonly name: string;
  readonly text: string;
}

async function datesOf({ manager, grounds }: PlanContext, { person, planId, now }: AskedPlan) {
  const { plan, sources, destination } = await planFor(manager, person, planId, now.slice(0, 10));
  const { dates } = await grounds.workOut(sources, destination, plan.decisions, now);
  const { calendar, meetings } = (await timesOf(manager, [destination.id]))[destination.id]!;
  return { destination, dates, calendar, meetings };
}

const fileName = ({ code, number, section }: CourseSummary, ending: string): string =>
  `${code} ${number}-${section} dates.${ending}`;

export const planDates: PlanQuery<AskedPlan, PlanDates> = async (context, asked) => {
  const { dates, calendar, meetings } = await datesOf(context, asked);
  return { dates, reading: { calendar, meetings } };
};

export const planDateSheet: PlanQuery<AskedPlan, DateFile> = async (context, asked) => {
  const { destination, dates } = await datesOf(context, asked);
  return { name: fileName(destination, 'csv'), text: writeDateSheet(dates) };
};

export const planCalendarFile: PlanQuery<AskedPlan, DateFile> = async (context, asked) => {
  const { destination, dates, calendar } = await datesOf(context, asked);
  const { code, number, section, term } = destination;
  const file = { name: `${code} ${number}-${section}, ${term}`, timeZone: calendar.timeZone, now: asked.now };
  return { name: fileName(destination, 'ics'), text: writeCalendarFile(dates, file) };
};
