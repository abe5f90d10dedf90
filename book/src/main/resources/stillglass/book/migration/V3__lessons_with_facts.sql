-- What a job noted of each joint goes to later jobs on its model; lessons from before knew only what was there.
UPDATE lesson SET body = json_set(body, '$.met', json('{}'));
