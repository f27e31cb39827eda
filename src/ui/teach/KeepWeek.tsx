'use client';

import { useEffect } from 'react';
import { keepWeekOffline } from '../device';

/** Keeps the week and one's own classes of the next days, so that they open without a network. Shows nothing. */
export function KeepWeek({ classes }: { classes: readonly string[] }) {
  const paths = classes.map((id) => `/teach/${id}`).join(' ');
  useEffect(() => void keepWeekOffline(paths === '' ? [] : paths.split(' ')), [paths]);
  return null;
}
