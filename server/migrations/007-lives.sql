-- Epochs as a tree: the one that each went on from. elsewhere: a life that this database did not go through itself, known by the file beside
-- it: the one between two restores of the same copy.
alter table epochs add column parent integer references epochs (number);
alter table epochs add column elsewhere integer not null default 0;
update epochs set parent = (select max(before.number) from epochs as before where before.number < epochs.number);
