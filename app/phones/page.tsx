import { renderSVG } from 'uqr';
import { doorSaid, nowMs, pairingCode, phonesInBook } from '@/services/index';
import { ButtonLink } from '@/ui/button-link';
import { dayWords } from '@/words/dates';
import { PhoneList } from './phone-list';
import css from '../start.module.css';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Phones, Pebble Lane' };

/** The phones that are let in, and how the next one is. */
export default async function PhonesPage() {
  const door = doorSaid();
  const phones = (await phonesInBook()).filter((p) => p.thrownOutMs === null);
  return (
    <main className={css.start}>
      <p>
        <ButtonLink voice="plain" href="/">
          Back to the book
        </ButtonLink>
      </p>
      <h1>Phones</h1>
      {door?.secure ? (
        <Invite address={door.addresses[0] ?? ''} code={(await pairingCode(nowMs())).code} />
      ) : (
        <p>
          The program listens to this computer alone. To take an outing along on a phone, start it
          with <code>./pebble start --lan</code>: it then speaks HTTPS on the local network and
          shows a code here that lets a phone in.
        </p>
      )}
      <PhoneList
        phones={phones.map(({ id, name, pairedMs, seenMs }) => ({
          id,
          name,
          paired: dayWords(pairedMs),
          seen: dayWords(seenMs),
        }))}
      />
    </main>
  );
}

function Invite({ address, code }: { address: string; code: string }) {
  const picture = `data:image/svg+xml;utf8,${encodeURIComponent(renderSVG(`${address}/pair`))}`;
  return (
    <section className={css.invite} aria-label="Let a phone in">
      {/* eslint-disable-next-line @next/next/no-img-element */}
      <img src={picture} alt={`QR code of ${address}/pair`} width={180} height={180} />
      <div>
        <p>On the phone, in the same network, open</p>
        <p className={css.address}>{address}/pair</p>
        <p>and type</p>
        <p className={css.code}>
          {code.slice(0, 4)} {code.slice(4)}
        </p>
        <p>
          The code works once, within ten minutes.{' '}
          <a href="/trust">How a phone trusts the computer</a>
        </p>
      </div>
    </section>
  );
}
