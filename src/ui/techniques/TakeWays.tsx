'use client';

import Button from '@mui/material/Button';
import { writeWays, type TravellingWay } from '@/core/exchange';
import { saveAs } from '../files';

/** A technique's ways as a file that another studio can bring in. */
export function TakeWays({ ways, file }: { ways: readonly TravellingWay[]; file: string }) {
  return (
    <Button size="small" onClick={() => saveAs('own ways', file, writeWays(ways))}>
      Take these along as JSON
    </Button>
  );
}
