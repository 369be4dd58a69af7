import { doorSaid } from '@/services/index';
import { ButtonLink } from '@/ui/button-link';
import css from '../start.module.css';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Trust the computer, Pebble Lane' };

/** How a phone comes to trust the certificate that was made on this machine. */
export default function TrustPage() {
  const door = doorSaid();
  return (
    <main className={css.start}>
      <h1>Trust the computer</h1>
      {door?.fingerprint ? (
        <Steps fingerprint={door.fingerprint} />
      ) : (
        <p>
          This program is not served over the network. Start it with{' '}
          <code>./pebble start --lan</code> and open this page under the address that it prints.
        </p>
      )}
    </main>
  );
}

function Steps({ fingerprint }: { fingerprint: string }) {
  return (
    <>
      <p>
        The computer made a certificate of its own, so that what passes between it and this phone is
        sealed. The phone keeps the log without a network only once it trusts it.
      </p>
      <ol className={css.steps}>
        <li>
          <ButtonLink voice="solid" href="/trust/authority.crt">
            Load the certificate
          </ButtonLink>
        </li>
        <li>
          Install it. On one kind of phone: Settings, Profile Downloaded, Install; then General,
          About, Certificate Trust Settings, and switch it on. On the other: Settings, Security,
          Encryption and credentials, Install a certificate, CA certificate.
        </li>
        <li>
          Compare the fingerprint (SHA-256) that the phone shows with this one, and with the one in
          the window of the program. Install it only if they are the same.
          <p className={css.fingerprint}>{fingerprint}</p>
        </li>
        <li>
          Close this page, open the address again. No warning: it is trusted.{' '}
          <a href="/pair">Pair this phone</a>.
        </li>
      </ol>
      <p>
        It can sign for this computer only as long as you keep it: take it off the phone in the same
        place. Menus are named differently from phone to phone.
      </p>
      <p>
        Without it the plan can still be carried: <a href="/outing">the outing</a> offers one file
        with the day’s cards. Logging is off then.
      </p>
    </>
  );
}
