import css from './start.module.css';

/** While the book is opened. */
export default function Loading() {
  return (
    <main className={css.start} aria-busy="true">
      <h1>Pebble Lane</h1>
      <p className={css.lead} role="status">
        Opening the book.
      </p>
    </main>
  );
}
