-- Up Migration
-- What holds heat and what makes holes, a row a thing as all that a maker owns.
create table tools (like stocks including all, foreign key (studio_id) references studios (id));

-- Down Migration
drop table tools;
