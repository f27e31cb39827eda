import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { readSeries } from '@/server/usecases/series/readSeries';
import { SeriesBoard } from '@/ui/series/SeriesBoard';

export const metadata: Metadata = { title: 'Series' };

export default async function SeriesDaysPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return seated(async (desk) => <SeriesBoard view={await readSeries(desk, id)} />);
}
