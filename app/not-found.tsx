import Link from 'next/link';

export default function NotFound() {
  return (
    <main className="start">
      <h1>No such water</h1>
      <p className="lead">There is no beat under this address in this book.</p>
      <Link href="/" className="do">
        To your beats
      </Link>
    </main>
  );
}
