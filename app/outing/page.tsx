import { OutingPage } from '@/outing/index';
import { forPaired } from '@/app/for-paired.server';

export const metadata = { title: 'Outing, Pebble Lane' };

/** The outing on a phone. Nothing of the book is in the page itself: it opens without a network. */
function Page() {
  return <OutingPage />;
}

export default forPaired(Page);
