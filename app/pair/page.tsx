import { PairForm } from './pair-form';
import css from '../start.module.css';

export const metadata = { title: 'Pair this phone, Pebble Lane' };

export default function PairPage() {
  return (
    <main className={css.start}>
      <h1>Pair this phone</h1>
      <PairForm />
      <p>
        <a href="/trust">How this phone comes to trust the computer</a>
      </p>
    </main>
  );
}
