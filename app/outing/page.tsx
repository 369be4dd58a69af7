import { OutingPage } from '@/outing/index';

export const metadata = { title: 'Outing, Pebble Lane' };

/** The outing on a phone. Nothing of the book is in the page itself: it opens without a network. */
export default function Page() {
  return <OutingPage />;
}
