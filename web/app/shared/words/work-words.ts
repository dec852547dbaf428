import type { WorkOrder } from '@odontis/core/work/order';

/** What was done, in a customer's words. */
export const WORK_SAYS: Record<WorkOrder['work'], string> = {
  sharpen: 'Sharpened as it stood',
  tune: 'Jointed, shaped, set and sharpened',
  convert: 'Converted to the other filing: jointed, reshaped, set and sharpened',
  'by-hand': 'Worked by hand',
};
