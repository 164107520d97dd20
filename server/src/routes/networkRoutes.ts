import { idSchema, networkOnSchema, parseOrRefuse, passcodeSchema } from '@zero-pour/contracts';
import { Router } from 'express';
import type { NetworkDoor } from '../network/networkDoor';

/** Opening the shop to its own network, and who is in: on this machine only. */
export function networkRoutes(network: NetworkDoor): Router {
  const router = Router();

  router.get('/network', async (_request, response) => {
    response.json(await network.state());
  });
  router.put('/network/passcode', async (request, response) => {
    await network.setPasscode(parseOrRefuse(passcodeSchema, request.body).passcode);
    response.json(await network.state());
  });
  router.put('/network/on', async (request, response) => {
    const { address, port } = parseOrRefuse(networkOnSchema, request.body);
    await network.turnOn(address, port);
    response.json(await network.state());
  });
  router.delete('/network/on', async (_request, response) => {
    await network.turnOff();
    response.json(await network.state());
  });
  router.delete('/network/devices', async (_request, response) => {
    await network.sessions.end(null);
    response.json(await network.state());
  });
  router.delete('/network/devices/:id', async (request, response) => {
    await network.sessions.end(parseOrRefuse(idSchema, request.params.id));
    response.json(await network.state());
  });
  return router;
}
