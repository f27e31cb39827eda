import { Refused } from '@/ui/shell/Refused';

/** An address that leads nowhere. */
export default function NotFound() {
  return (
    <main style={{ padding: 40 }}>
      <Refused message="There is no page at this address." />
    </main>
  );
}
