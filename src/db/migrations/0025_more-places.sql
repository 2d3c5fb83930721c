INSERT IGNORE INTO `plan_resources` (`id`, `name`, `kind`, `skills`) VALUES
('cabinet', 'Blasting cabinet', 'place', '["cabinet"]'), ('press', 'Press', 'place', '["press"]'), ('balancer', 'Balancing machine', 'place', '["balancer"]');
