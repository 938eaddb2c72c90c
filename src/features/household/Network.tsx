'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { setPinSchema } from '@/core/household/pin';
import type { Problem } from '@/core/problem';
import { Caution } from '@/ui/Caution';
import { Field } from '@/ui/form/Field';
import { Fold } from '@/ui/Fold';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { choosePin, endVisit, letIn } from './actions';
import styles from './household.module.css';
import type { ShownNetwork } from './queries';

/** Who may open Hodman beside this machine: nobody, or who knows the PIN. */
export function Network({ network }: { network: ShownNetwork }) {
  const { addresses, hasPin, possible } = network;
  return (
    <section className="stack" aria-labelledby="network">
      <h2 id="network">On the home network</h2>
      {addresses.length > 0 ? (
        <Reached network={network} />
      ) : (
        <>
          <p className="soft">
            Only this machine opens Hodman now. To open it on a phone as well, choose a PIN here, and start it as below:
            it is at {possible.length > 0 ? possible.join(' or ') : 'an address of this machine'} then.
          </p>
          <p className={styles.address}>HODMAN_HOST=0.0.0.0 npm start</p>
        </>
      )}
      <Fold title={hasPin ? 'Another PIN' : 'Choose a PIN'} open={!hasPin}>
        <Pin network={network} />
      </Fold>
    </section>
  );
}

/** Where it is reached, the code for one more phone, and who is in. */
function Reached({ network: { addresses, visitors, labelsLeadAstray } }: { network: ShownNetwork }) {
  const [code, setCode] = useState<{ address: string; picture: string; minutes: number }>();
  const ask = useCommand(letIn, 'let-in', setCode);
  const end = useCommand(endVisit, 'end-visit');
  return (
    <>
      <p className="soft">With the PIN, every device of this network opens it at</p>
      <p className={styles.address}>{addresses.join(' · ')}</p>
      {labelsLeadAstray && (
        <Caution>The codes on labels open another address than these. Put that right above, under the address.</Caution>
      )}
      <Problems problems={[...ask.problems, ...end.problems]} />
      {code ? (
        <div className="stack" role="status">
          {/* eslint-disable-next-line @next/next/no-img-element -- a picture that was drawn just now */}
          <img src={code.picture} width={240} height={240} alt="Code that lets a phone in" className={styles.code} />
          <p className={`note ${styles.address}`}>{code.address}</p>
          <p>
            Point a phone’s camera at it, or open the address under it. It lets one device in, for {code.minutes}{' '}
            minutes.{' '}
            <Button variant="text" onClick={() => setCode(undefined)}>
              put it away
            </Button>
          </p>
        </div>
      ) : (
        <div>
          <Button variant="outlined" disabled={ask.pending} onClick={() => ask.run({})}>
            Let a phone in
          </Button>
        </div>
      )}
      {visitors.length === 0 ? (
        <p>Nobody came in yet.</p>
      ) : (
        <ul className="rows">
          {visitors.map(({ id, name, said }) => (
            <li key={id} className="spread">
              <span>
                <span className="rowName">{name}</span> <span className="note">{said}</span>
              </span>
              <Button
                variant="text"
                aria-label={`End the visit of ${name}`}
                disabled={end.pending}
                onClick={() => end.run({ id })}
              >
                end it
              </Button>
            </li>
          ))}
        </ul>
      )}
      {visitors.length > 1 && (
        <div>
          <Button variant="text" disabled={end.pending} onClick={() => end.run({})}>
            end all of them
          </Button>
        </div>
      )}
    </>
  );
}

/** The PIN of the household: who knows it is in. */
function Pin({ network: { hasPin, isHere } }: { network: ShownNetwork }) {
  const [typed, setTyped] = useState({ pin: '', now: '' });
  const [kept, setKept] = useState(false);
  const [wrong, setWrong] = useState<readonly Problem[]>([]);
  const save = useCommand(choosePin, 'pin', () => {
    setTyped({ pin: '', now: '' });
    setKept(true);
  });
  const at = (field: string) => wrong.find((each) => each.field === field)?.message ?? save.at(field);
  const submit = () => {
    setKept(false);
    const read = setPinSchema.safeParse(typed);
    setWrong(read.success ? [] : read.error.issues.map(({ message, path }) => ({ message, field: String(path[0]) })));
    if (read.success) save.run(read.data);
  };
  return (
    <form
      className="stack"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      {hasPin && !isHere && (
        <Field
          label="The PIN that holds now"
          type="password"
          inputMode="numeric"
          autoComplete="current-password"
          value={typed.now}
          onChange={(event) => setTyped({ ...typed, now: event.target.value })}
          problem={at('now')}
        />
      )}
      <Field
        label="The new PIN"
        type="password"
        inputMode="numeric"
        autoComplete="new-password"
        value={typed.pin}
        onChange={(event) => setTyped({ ...typed, pin: event.target.value })}
        problem={at('pin')}
        hint="six digits or more"
      />
      <Problems problems={save.atHead('pin', 'now')} />
      <p role="status" className="inOrder">
        {kept && 'The PIN holds. Every other device comes in anew.'}
      </p>
      <div>
        <Button type="submit" variant="outlined" disabled={save.pending}>
          Set the PIN
        </Button>
      </div>
    </form>
  );
}
