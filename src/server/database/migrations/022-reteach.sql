-- What lies in the bin is little: it is looked up there, not every order among those that do not.
create view binned_orders as select id from work_orders where binned_at is not null;

-- The newest occasions at which a wrong idea showed, whatever their number.
create index misbelief_evidence_newest on misbelief_evidence (misbelief, at desc) where shown > 0;
