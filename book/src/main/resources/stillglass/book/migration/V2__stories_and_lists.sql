-- Events have a place within their ticket, which is its version, and names and versions of their own. Rows of before keep theirs in the body: name '' version 0.
CREATE TABLE happened (
    id      INTEGER PRIMARY KEY AUTOINCREMENT,
    ticket  TEXT    NOT NULL,
    seq     INTEGER NOT NULL CHECK (seq > 0),
    act     INTEGER NOT NULL CHECK (act > 0),
    author  TEXT    NOT NULL,
    bench   TEXT    NOT NULL,
    at      TEXT    NOT NULL,
    name    TEXT    NOT NULL,
    version INTEGER NOT NULL,
    body    TEXT    NOT NULL,
    UNIQUE (ticket, seq)
);
INSERT INTO happened (ticket, seq, act, author, bench, at, name, version, body)
SELECT ticket, row_number() OVER (PARTITION BY ticket ORDER BY seq), intent, '', '', at, '', 0, body FROM event ORDER BY seq;
DROP TABLE event;

-- What the Book lists, kept in the same transaction as the events.
CREATE TABLE ticket (
    id         INTEGER PRIMARY KEY AUTOINCREMENT,
    number     TEXT    NOT NULL UNIQUE,
    digits     INTEGER NOT NULL,
    title      TEXT    NOT NULL,
    instrument TEXT    NOT NULL,
    section    TEXT,
    sort       TEXT    NOT NULL,
    owner      TEXT,
    due        TEXT,
    stage      TEXT    NOT NULL,
    done       TEXT    NOT NULL,
    faults     TEXT    NOT NULL,
    symptoms   TEXT    NOT NULL,
    signed     INTEGER NOT NULL,
    changed    TEXT    NOT NULL,
    trouble    TEXT
);
CREATE INDEX ticket_by_due ON ticket (signed, due IS NULL, due, id);
CREATE INDEX ticket_by_digits ON ticket (digits);
CREATE VIRTUAL TABLE ticket_text USING fts5 (number, title, owner, symptoms, notes, tokenize = 'unicode61 remove_diacritics 2', prefix = '1 2 3 4');
CREATE TABLE timer (
    ticket TEXT NOT NULL,
    timer  TEXT NOT NULL,
    label  TEXT NOT NULL,
    ends   TEXT NOT NULL,
    PRIMARY KEY (ticket, timer)
);
CREATE TABLE lesson (
    ticket     TEXT PRIMARY KEY,
    instrument TEXT NOT NULL,
    taken      TEXT,
    body       TEXT NOT NULL
);
CREATE INDEX lesson_by_model ON lesson (instrument, ticket);
CREATE TABLE agreement (
    ticket     TEXT    NOT NULL,
    computed   TEXT    NOT NULL,
    technician TEXT    NOT NULL,
    times      INTEGER NOT NULL,
    PRIMARY KEY (ticket, computed, technician)
);
-- Windows and programs that work on the book now.
CREATE TABLE bench (
    name TEXT PRIMARY KEY,
    seen TEXT NOT NULL
);
