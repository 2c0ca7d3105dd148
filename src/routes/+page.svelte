<p>Vecino</p>
