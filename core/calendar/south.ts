/**
 * Zones whose place lies south of the equator. Source: the IANA time zone database, zone.tab (the latitude of each zone's
 * place), as Debian ships it.
 */
const SOUTH = new Set(
  `Africa/Blantyre Africa/Brazzaville Africa/Bujumbura Africa/Dar_es_Salaam Africa/Gaborone Africa/Harare
   Africa/Johannesburg Africa/Kigali Africa/Kinshasa Africa/Luanda Africa/Lubumbashi Africa/Lusaka Africa/Maputo
   Africa/Maseru Africa/Mbabane Africa/Nairobi Africa/Windhoek America/Araguaina America/Argentina/Buenos_Aires
   America/Argentina/Catamarca America/Argentina/Cordoba America/Argentina/Jujuy America/Argentina/La_Rioja
   America/Argentina/Mendoza America/Argentina/Rio_Gallegos America/Argentina/Salta America/Argentina/San_Juan
   America/Argentina/San_Luis America/Argentina/Tucuman America/Argentina/Ushuaia America/Asuncion America/Bahia
   America/Belem America/Campo_Grande America/Coyhaique America/Cuiaba America/Eirunepe America/Fortaleza
   America/Guayaquil America/La_Paz America/Lima America/Maceio America/Manaus America/Montevideo America/Noronha
   America/Porto_Velho America/Punta_Arenas America/Recife America/Rio_Branco America/Santarem America/Santiago
   America/Sao_Paulo Antarctica/Casey Antarctica/Davis Antarctica/DumontDUrville Antarctica/Macquarie
   Antarctica/Mawson Antarctica/McMurdo Antarctica/Palmer Antarctica/Rothera Antarctica/Syowa Antarctica/Troll
   Antarctica/Vostok Asia/Dili Asia/Jakarta Asia/Jayapura Asia/Makassar Asia/Pontianak Atlantic/South_Georgia
   Atlantic/St_Helena Atlantic/Stanley Australia/Adelaide Australia/Brisbane Australia/Broken_Hill Australia/Darwin
   Australia/Eucla Australia/Hobart Australia/Lindeman Australia/Lord_Howe Australia/Melbourne Australia/Perth
   Australia/Sydney Indian/Antananarivo Indian/Chagos Indian/Christmas Indian/Cocos Indian/Comoro Indian/Kerguelen
   Indian/Mahe Indian/Mauritius Indian/Mayotte Indian/Reunion Pacific/Apia Pacific/Auckland Pacific/Bougainville
   Pacific/Chatham Pacific/Easter Pacific/Efate Pacific/Fakaofo Pacific/Fiji Pacific/Funafuti Pacific/Galapagos
   Pacific/Gambier Pacific/Guadalcanal Pacific/Kanton Pacific/Marquesas Pacific/Nauru Pacific/Niue Pacific/Norfolk
   Pacific/Noumea Pacific/Pago_Pago Pacific/Pitcairn Pacific/Port_Moresby Pacific/Rarotonga Pacific/Tahiti
   Pacific/Tongatapu Pacific/Wallis`.split(/\s+/),
);

/**
 * Returns whether a time zone's place lies south of the equator.
 *
 * Source: the IANA time zone database, zone.tab.
 * @param zone IANA name; one that is not known counts as north
 */
export const isSouth = (zone: string): boolean => SOUTH.has(zone);
