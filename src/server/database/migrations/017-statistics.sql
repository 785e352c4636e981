-- Nobody looks for rows by what stands in a document: counting its values took most of the time that ANALYZE took.
alter table work_orders alter column document set statistics 0, alter column faults set statistics 0,
  alter column rubric set statistics 0, alter column frame set statistics 0, alter column bench set statistics 0;
alter table steps alter column body set statistics 0;
alter table judgements alter column body set statistics 0;
alter table attempt_results alter column marks set statistics 0, alter column evidence set statistics 0;
alter table bin alter column rows set statistics 0;
