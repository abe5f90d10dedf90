-- What became of every pass of cleaning, over all tickets, is read when a ticket is opened.
CREATE INDEX happened_cleaning ON happened (ticket, seq) WHERE name IN ('part-cleaned', 'undone');
