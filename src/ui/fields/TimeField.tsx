'use client';

import { readTime } from '@/core/units';
import { TypedField } from './TypedField';
import type { FieldProps } from './types';

const STEP_MINUTES = 5;

/** A time of day: 18:30. Takes 1830 and 6.30pm as well; ↑ and ↓ go five minutes. */
export function TimeField(props: FieldProps<string>) {
  return <TypedField {...props} read={readTime} show={readTime} step={stepped} unread="No time that reads: 18:30 or 6.30pm." placeholder="18:30" />;
}

/** @example stepped('23:55', 1) // "00:00" */
function stepped(time: string, by: 1 | -1): string {
  const [hour, minute] = time.split(':').map(Number);
  const at = (hour * 60 + minute + by * STEP_MINUTES + 1440) % 1440;
  return readTime(`${Math.floor(at / 60)}:${String(at % 60).padStart(2, '0')}`)!;
}
