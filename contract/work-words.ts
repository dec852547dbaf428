import type { WorkOrder } from '@odontis/core/work/order';

/** What was done, in a customer's words: on the handover page and in the report. */
export const WORK_SAYS: Record<WorkOrder['work'], string> = {
  sharpen: 'Sharpened as it stood',
  tune: 'Full tune: jointed, shaped, set and sharpened',
  convert: 'Converted: jointed, filed to the other angles, set and sharpened',
  retooth: 'New teeth cut: the old filed away, set out anew, cut, set and sharpened',
  'by-hand': 'Worked by hand',
};
