-- What a technician judged says with which camera and under which light it was photographed, where that is known; severities are judged, too.
CREATE TABLE judged (
    ticket     TEXT    NOT NULL,
    asked      TEXT    NOT NULL,
    setup      TEXT    NOT NULL,
    computed   TEXT    NOT NULL,
    technician TEXT    NOT NULL,
    times      INTEGER NOT NULL,
    PRIMARY KEY (ticket, asked, setup, computed, technician)
);
INSERT INTO judged SELECT ticket, CASE WHEN computed = '' THEN 'count' ELSE 'kind' END, '', computed, technician, times FROM agreement;
DROP TABLE agreement;
