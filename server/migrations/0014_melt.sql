-- What a melt carries into the mold, where it is known; null: estimated from the composition.
ALTER TABLE alloy
  ADD COLUMN latent_j_per_g numeric CHECK (latent_j_per_g > 0),
  ADD COLUMN heat_j_per_g_k numeric CHECK (heat_j_per_g_k > 0),
  ADD COLUMN surface_n_per_m numeric CHECK (surface_n_per_m > 0);
