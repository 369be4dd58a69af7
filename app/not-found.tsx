import { ButtonAnchor } from '@/ui/button';
import css from './start.module.css';
export default function NotFound() {
  return (
    <main className={css.start}>
      <h1>No such water</h1>
      <p className={css.lead}>There is no beat under this address in this book.</p>
      <ButtonAnchor voice="line" href="/">
        To your beats
      </ButtonAnchor>
    </main>
  );
}
