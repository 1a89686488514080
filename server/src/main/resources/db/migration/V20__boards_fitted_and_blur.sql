-- how a board lies over the delivery frame: fitted whole or filled, scaled, shifted by shares of the frame, cropped by shares of itself
alter table board
  add filled boolean not null default false,
  add scale double not null default 1,
  add shift_right double not null default 0,
  add shift_up double not null default 0,
  add crop_left double not null default 0,
  add crop_right double not null default 0,
  add crop_top double not null default 0,
  add crop_bottom double not null default 0;
-- keys of a layer's own are longer than a jolt's figures
alter table motion_layer modify sway text not null;
-- whether what is out of focus is blurred
alter table render add blur boolean not null default false;
