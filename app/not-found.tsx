import { ButtonLink } from '@/ui/button';
export default function NotFound() {
  return (
    <main className="start">
      <h1>No such water</h1>
      <p className="lead">There is no beat under this address in this book.</p>
      <ButtonLink voice="line" href="/">
        To your beats
      </ButtonLink>
    </main>
  );
}
