-- Whether results have come since the difficulties were fitted is asked with each look at the Ledger.
create index attempt_results_newest on attempt_results (at desc) where binned_at is null;
