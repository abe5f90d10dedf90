CREATE TABLE event (
    seq    INTEGER PRIMARY KEY AUTOINCREMENT,
    ticket TEXT    NOT NULL,
    intent INTEGER NOT NULL CHECK (intent > 0),
    at     TEXT    NOT NULL,
    body   TEXT    NOT NULL CHECK (json_valid(body))
);
CREATE INDEX event_by_ticket ON event (ticket, seq);
CREATE TABLE photo (
    ticket TEXT NOT NULL,
    photo  TEXT NOT NULL,
    name   TEXT NOT NULL,
    bytes  BLOB NOT NULL,
    PRIMARY KEY (ticket, photo)
);
CREATE TABLE setting (
    name  TEXT PRIMARY KEY,
    value TEXT NOT NULL
);
