'use client';

import Button from '@mui/material/Button';
import { writeWays, type TravellingWay } from '@/core/exchange';
import { saveFile } from '../files';

/** A technique's ways as a file that another studio can bring in. */
export function TakeWays({ ways, file }: { ways: readonly TravellingWay[]; file: string }) {
  return (
    <Button size="small" onClick={() => saveFile(new Blob([writeWays(ways)], { type: 'application/json' }), `${file}.json`)}>
      Take these along as JSON
    </Button>
  );
}
