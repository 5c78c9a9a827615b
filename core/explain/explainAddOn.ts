import type { AddOn } from '../figures/addOns';
import type { HouseSettings } from '../house/settings';
import { figure, worked, type Origin, type Working } from './working';

/**
 * What an add-on brings to a visit, and how many pay for what is bought for it alone.
 * @see P1 P6 P8
 */
export function explainAddOn(addOn: AddOn, settings: Pick<HouseSettings, 'vat'>): Working {
  const { figures, extraDirect, service } = addOn;
  const from: Origin = { place: 'house' };
  return {
    title: `What ${service.name} brings`,
    codes: ['P6', 'P8'],
    words:
      'Price ÷ (1 + VAT) − fees − what it takes besides the visit: product, devices and hands, of the slot only what it grows by.',
    inputs: [
      {
        label: 'Price',
        value: figure(figures.gross, 'money'),
        from: { place: 'service', serviceId: service.id },
      },
      { label: 'VAT', value: figure(settings.vat, 'share'), from },
      { label: 'Fees', value: figure(figures.fees, 'money'), from },
      ...(figures.sharedPay > 0
        ? [{ label: 'Pay by the price', value: figure(figures.sharedPay, 'money'), from }]
        : []),
      { label: 'It takes, direct', value: figure(extraDirect, 'money') },
    ],
    result: figure(figures.contribution, 'money'),
  };
}

/** How many of an add-on pay for the packs that are bought for it alone. @see P8 */
export function explainToPay(addOn: AddOn, settings: Pick<HouseSettings, 'vat'>): Working {
  const brings = explainAddOn(addOn, settings);
  return {
    title: 'How many pay for it',
    codes: ['P8'],
    words:
      'Packs that nothing else on the menu draws ÷ what one leaves after its room, rounded up.',
    inputs: [
      { label: 'Packs for it alone', value: figure(addOn.stake, 'money') },
      worked(brings),
      { label: 'Room that the slot grows by', value: figure(addOn.extraRoom, 'money') },
    ],
    result: figure(addOn.toPay ?? 0, 'times'),
  };
}
