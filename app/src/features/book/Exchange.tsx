/** The book as one file: out, and in again. A bad file says where it is bad and changes nothing. */

import { InputError, readBook, type Book, type BookEvent } from "@tembrak/core";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useEffect, useRef, useState } from "react";
import { showAgo, showBytes } from "../../format/show.js";
import { askToPersist } from "../../store/boot.js";
import { exportBook } from "../../store/exportBook.js";
import { mergeBook, replaceBook, takeTheirs } from "../../store/db.js";
import { useBathEntries, useKit, useLog, useNow, useSettings, useUnreadable } from "../../store/useStore.js";

function entries(count: number): string {
  return count === 1 ? "1 entry" : `${count} entries`;
}

function pieces(count: number): string {
  return count === 1 ? "1 piece" : `${count} pieces`;
}

function Stored() {
  const [facts, setFacts] = useState<{ usage: number; isKept: boolean } | null>(null);
  useEffect(() => {
    void (async () => {
      const estimate = await navigator.storage?.estimate?.();
      setFacts({ usage: estimate?.usage ?? 0, isKept: await askToPersist() });
    })();
  }, []);
  if (facts === null) return null;
  return (
    <>
      {`Stored in this browser: ${showBytes(facts.usage)}. `}
      {facts.isKept ? "The browser promised to keep it." : "The browser may clear it when space runs short: export often."}
    </>
  );
}

interface Waiting {
  readonly book: Book;
  readonly name: string;
}

/** A book comes to where one is: what each way would do to this one. */
function BothBooks({
  waiting: { book, name },
  count,
  onTake,
  onClose,
}: {
  waiting: Waiting;
  count: number;
  onTake: (isReplacing: boolean) => void;
  onClose: () => void;
}) {
  const kit = useKit() ?? [];
  const baths = useBathEntries().size;
  const { keep } = useLog();
  const unreadable = useUnreadable().length;
  const here = [
    ...(count > 0 ? [`the ${pieces(count)} here`] : []),
    ...(baths > 0 ? [baths === 1 ? "the log of one bath" : `the logs of ${baths} baths`] : []),
  ].join(" and ");
  const kitWords =
    book.kit === undefined || kit.length === 0
      ? "the kit would stay"
      : `the kit of ${kit.length} would give way to its own of ${book.kit.length}`;
  return (
    <Dialog open onClose={onClose} maxWidth="sm">
      <DialogTitle>{count > 0 ? "There is a book here already" : "There is a kit here already"}</DialogTitle>
      <DialogContent>
        {name} holds {entries(book.events.length)}. Add what is new in it to this book, or put it in this book&rsquo;s place? In its place
        {here === "" ? " " : ` ${here} would go, and `}
        {kitWords}
        {unreadable === 0 ? "" : `; ${entries(unreadable)} that nobody can read would stay`}. Export first if you may want it back.
      </DialogContent>
      <DialogActions>
        <Button variant="text" onClick={onClose}>
          Neither
        </Button>
        <Button variant="text" onClick={() => void keep(exportBook)}>
          Export what is here
        </Button>
        <Button onClick={() => onTake(true)}>In its place</Button>
        <Button variant="contained" onClick={() => onTake(false)}>
          Add what is new
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function Emptying({ isOpen, onClose, onErase }: { isOpen: boolean; onClose: () => void; onErase: () => void }) {
  const unreadable = useUnreadable().length;
  return (
    <Dialog open={isOpen} onClose={onClose} maxWidth="sm">
      <DialogTitle>Empty this book?</DialogTitle>
      <DialogContent>
        Every piece and every heat in this browser is erased
        {unreadable === 0 ? "" : `, and ${entries(unreadable)} that nobody here can read with them`}. The kit stays. Export first if you may
        want it back.
      </DialogContent>
      <DialogActions>
        <Button variant="contained" onClick={onClose}>
          Leave it
        </Button>
        <Button onClick={onErase}>Erase it all</Button>
      </DialogActions>
    </Dialog>
  );
}

export function Exchange({ count }: { count: number }) {
  const { exportedAt_ms } = useSettings();
  const now_ms = useNow(30000);
  const input = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [waiting, setWaiting] = useState<Waiting | null>(null);
  const [isEmptying, setIsEmptying] = useState(false);
  const [differing, setDiffering] = useState<readonly BookEvent[]>([]);
  const kit = useKit() ?? [];
  const baths = useBathEntries();
  const { keep } = useLog();
  // Nothing of the shop's own is here that a file could take the place of.
  const isBare = count === 0 && kit.length === 0 && baths.size === 0;

  const writeOut = async (): Promise<void> => {
    const name = await exportBook();
    setSaid(`Written to ${name}.`);
  };

  const take = async (book: Book, isReplacing: boolean): Promise<void> => {
    setWaiting(null);
    try {
      // A book that says nothing of a kit leaves the one that is here.
      if (isReplacing) await replaceBook(book.events, { kit: book.kit });
      const { fresh, differing: others } = isReplacing
        ? { fresh: book.events.length, differing: [] }
        : await mergeBook(book.events, book.kit);
      setDiffering(others);
      setSaid(fresh === 0 && others.length === 0 ? "Everything in that file was already here." : `${fresh} entries brought in.`);
      setTrouble(null);
    } catch {
      setTrouble("The browser would not store it. The book is as it was.");
    }
  };

  const open = async (file: File | undefined): Promise<void> => {
    if (file === undefined) return;
    setSaid(null);
    setTrouble(null);
    try {
      const book = readBook(await file.text());
      if (isBare) await take(book, true);
      else setWaiting({ book, name: file.name });
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      setTrouble(`${file.name} was not brought in, and nothing in the book changed. ${error.message}`);
    }
  };

  return (
    <section className="exchange" aria-labelledby="exchange-h">
      <h2 id="exchange-h">The book as a file</h2>
      <p>
        <Stored /> {exportedAt_ms === null ? "Never exported." : `Last exported ${showAgo(exportedAt_ms, now_ms)}.`}
      </p>
      <div className="exchange-keys">
        <Button variant="contained" disabled={isBare} onClick={() => void keep(writeOut)}>
          Export the book
        </Button>
        <Button onClick={() => input.current?.click()}>Bring in a book</Button>
        <input
          ref={input}
          type="file"
          accept=".json,application/json"
          aria-label="Book file"
          className="unseen"
          tabIndex={-1}
          onChange={(event) => {
            void open(event.target.files?.[0]);
            event.target.value = "";
          }}
        />
        {count > 0 ? (
          <Button variant="text" onClick={() => setIsEmptying(true)}>
            Empty this book
          </Button>
        ) : null}
      </div>
      {said ? <p role="status">{said}</p> : null}
      {differing.length === 0 ? null : (
        <p role="status">
          {entries(differing.length)} of that file {differing.length === 1 ? "is" : "are"} here with another content, and left as here.{" "}
          <Button
            variant="text"
            onClick={() =>
              void keep(() => takeTheirs(differing)).then((isStored) => {
                if (!isStored) return;
                setDiffering([]);
                setSaid(`${entries(differing.length)} taken from the file.`);
              })
            }
          >
            Take the file&rsquo;s
          </Button>
          <Button variant="text" onClick={() => setDiffering([])}>
            Leave them
          </Button>
        </p>
      )}
      {trouble ? (
        <p role="alert" className="exchange-trouble">
          {trouble}
        </p>
      ) : null}
      {waiting === null ? null : (
        <BothBooks
          waiting={waiting}
          count={count}
          onTake={(isReplacing) => void take(waiting.book, isReplacing)}
          onClose={() => setWaiting(null)}
        />
      )}
      <Emptying
        isOpen={isEmptying}
        onClose={() => setIsEmptying(false)}
        onErase={() => {
          setIsEmptying(false);
          void keep(() => replaceBook([], { alsoUnreadable: true })).then((isStored) => isStored && setSaid("The book is empty."));
        }}
      />
    </section>
  );
}
