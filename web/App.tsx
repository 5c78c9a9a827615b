import type { ComponentType } from 'react';
import { createBrowserRouter, Navigate, RouterProvider, type RouteObject } from 'react-router';
import { Loading } from './parts/Loading';
import { PlaceFault } from './parts/PlaceFault';
import { Shell } from './parts/Shell';

/** A place with its address and its name in its file, loaded when it is first gone to. */
function place<N extends string>(
  path: string,
  name: N,
  load: () => Promise<Readonly<Record<N, ComponentType>>>,
): RouteObject {
  return {
    path,
    errorElement: <PlaceFault />,
    lazy: async () => ({ Component: (await load())[name] }),
  };
}

/** Each place is loaded when it is first gone to; each thing in it has an address of its own. */
export const ROUTES: RouteObject[] = [
  {
    element: <Shell />,
    hydrateFallbackElement: <Loading what="Opening the house" />,
    errorElement: <PlaceFault />,
    children: [
      { index: true, element: <Navigate to="/protocols" replace /> },
      place('shelf/:materialId?/:facet?', 'ShelfPlace', () => import('./places/shelf/ShelfPlace')),
      place(
        'price-lists/:supplierId?',
        'PriceListsPlace',
        () => import('./places/priceLists/PriceListsPlace'),
      ),
      place('protocols', 'ProtocolsPlace', () => import('./places/protocols/ProtocolsPlace')),
      place('protocols/:protocolId/card', 'CardPlace', () => import('./places/card/CardPlace')),
      place('protocols/:protocolId/tray', 'TrayPlace', () => import('./places/card/TrayPlace')),
      place(
        'protocols/:protocolId/:stepId?',
        'ProtocolWorkbench',
        () => import('./places/protocols/Workbenches'),
      ),
      place(
        'protocols/blocks/:protocolId/:stepId?',
        'BlockWorkbench',
        () => import('./places/protocols/Workbenches'),
      ),
      place('menu/map', 'MenuMapPlace', () => import('./places/menu/MenuMapPlace')),
      place('menu/adds-up', 'AddsUpPlace', () => import('./places/menu/AddsUpPlace')),
      place(
        'menu/what-if/:scenarioId?',
        'WhatIfPlace',
        () => import('./places/menu/whatIf/WhatIfPlace'),
      ),
      place(
        'menu/margins/:serviceId?',
        'MarginsPlace',
        () => import('./places/menu/margins/MarginsPlace'),
      ),
      place(
        'menu/offers/:offerId?',
        'OffersPlace',
        () => import('./places/menu/offers/OffersPlace'),
      ),
      place(
        'menu/guests/:menuId?',
        'GuestsPlace',
        () => import('./places/menu/guests/GuestsPlace'),
      ),
      place('menu/:serviceId/sets', 'SetsPlace', () => import('./places/menu/sets/SetsPlace')),
      place('menu/:serviceId/price', 'PricePlace', () => import('./places/menu/PricePlace')),
      place('menu/:serviceId?', 'MenuPlace', () => import('./places/menu/MenuPlace')),
      place('week/*', 'WeekPlace', () => import('./places/week/WeekPlace')),
      place('restock', 'RestockPlace', () => import('./places/restock/RestockPlace')),
      place(
        'restock/levels/:materialId?',
        'LevelsPlace',
        () => import('./places/restock/levels/LevelsPlace'),
      ),
      place('restock/demand', 'DemandPlace', () => import('./places/restock/demand/DemandPlace')),
      place('restock/risk', 'RiskPlace', () => import('./places/restock/risk/RiskPlace')),
      place(
        'restock/counts/:countId?',
        'CountsPlace',
        () => import('./places/restock/counts/CountsPlace'),
      ),
      place(
        'restock/orders/:orderId?',
        'OrdersPlace',
        () => import('./places/restock/orders/OrdersPlace'),
      ),
      place('room', 'RoomPlace', () => import('./places/room/RoomPlace')),
      place('room/:runId', 'RunPlace', () => import('./places/room/RunPlace')),
      place('logbook/*', 'LogbookPlaces', () => import('./places/logbook/LogbookPlaces')),
      place('house/*', 'HousePlaces', () => import('./places/house/HousePlaces')),
      place('*', 'NoPlace', () => import('./places/NoPlace')),
    ],
  },
];

const router = createBrowserRouter(ROUTES);

/** The app: its places. */
export function App() {
  return <RouterProvider router={router} />;
}
