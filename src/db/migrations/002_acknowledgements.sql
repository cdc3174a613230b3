-- Severe cautions that a cook has acknowledged by name, each for the state it was in: when that changes it is asked anew.

create table acknowledgement (
  dish_id uuid not null references dish (id) on delete cascade,
  finding text not null,
  print text not null,
  at timestamptz not null,
  primary key (dish_id, finding)
);
