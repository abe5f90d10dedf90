-- What became of every pass of cleaning, and which greases were laid, over all tickets, is read when a ticket is opened.
CREATE INDEX happened_cleaning ON happened (id) WHERE name IN ('part-cleaned', 'greased', 'undone');
