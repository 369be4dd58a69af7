import { renderSVG } from 'uqr';
import { doorSaid, inFours, nowMs, pairingCode, phonesInBook, visitorNow } from '@/services/index';
import { ButtonLink } from '@/ui/button-link';
import { dayWords } from '@/words/dates';
import { PhoneList } from './phone-list';
import css from '../start.module.css';
import { forPaired } from '@/app/for-paired.server';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Phones, Pebble Lane' };

/** The phones that are let in, and how the next one is. */
async function PhonesPage() {
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
        <Invite
          address={door.addresses[0] ?? ''}
          code={visitorNow() === 'machine' ? (await pairingCode(nowMs())).code : null}
        />
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

/** `code` is null on a page that comes over the network: who reads that page could be anybody. */
function Invite({ address, code }: { address: string; code: string | null }) {
  const picture = `data:image/svg+xml;utf8,${encodeURIComponent(renderSVG(`${address}/pair`))}`;
  return (
    <section className={css.invite} aria-label="Let a phone in">
      {/* eslint-disable-next-line @next/next/no-img-element */}
      <img src={picture} alt={`QR code of ${address}/pair`} width={180} height={180} />
      <div>
        <p>On the phone, in the same network, open</p>
        <p className={css.address}>{address}/pair</p>
        {code === null ? (
          <p>
            and type the code that stands in the window in which the program was started, or on this
            page on the computer itself. It is not shown over the network.
          </p>
        ) : (
          <>
            <p>and type</p>
            <p className={css.code}>{inFours(code)}</p>
          </>
        )}
        <p>
          The code works once, within ten minutes.{' '}
          <a href="/trust">How a phone trusts the computer</a>
        </p>
      </div>
    </section>
  );
}

export default forPaired(PhonesPage);
