import css from '../../start.module.css';

/** While a beat is taken from the book. */
export default function Loading() {
  return (
    <main className={css.start} aria-busy="true">
      <p className={css.lead} role="status">
        Opening the beat.
      </p>
    </main>
  );
}
