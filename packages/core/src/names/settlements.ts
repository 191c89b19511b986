/** What would settle every doubt of a cause at once, in the order in which it is offered. */
export const SETTLEMENTS = [
  'next',
  'previous',
  'nextClass',
  'stay',
  'newBreak',
  'lastDay',
  'byShare',
  'weeksEarlier',
  'firstDay',
  'oldDistance',
] as const;
export type SettlementName = (typeof SETTLEMENTS)[number];
