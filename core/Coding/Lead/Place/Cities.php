<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Place;

/**
 * Cities and parts of countries that papers name without their country. Names that several countries have, and those
 * that are words or usual surnames, are left out: a wrong country costs more than none.
 */
final class Cities
{
    private const NAMES = [
        'Argentina' => 'Buenos Aires|Mar del Plata|Tucum[áa]n',
        'Australia' => 'Sydney|Melbourne|Brisbane|Adelaide|Canberra|Hobart|Perth',
        'Austria' => 'Vienna|Graz|Linz|Salzburg|Innsbruck|Klagenfurt|Styria|Carinthia|Tyrol',
        'Bangladesh' => 'Dhaka|Chittagong',
        'Belgium' => 'Brussels|Antwerp|Ghent|Li[èe]ge|Leuven|Bruges|Namur|Flanders|Wallonia',
        'Brazil' => 'S[ãa]o Paulo|Rio de Janeiro|Bras[íi]lia|Porto Alegre|Belo Horizonte|Curitiba|Recife|Fortaleza'
            .'|Florian[óo]polis|Campinas',
        'Bulgaria' => 'Sofia|Plovdiv',
        'Canada' => 'Toronto|Montr[eé]al|Vancouver|Calgary|Edmonton|Ottawa|Winnipeg|Halifax|Saskatoon',
        'Chile' => 'Valpara[íi]so|Concepci[óo]n|Santiago de Chile',
        'China' => 'Beijing|Shanghai|Guangzhou|Shenzhen|Wuhan|Chengdu|Chongqing|Nanjing|Hangzhou|Xi[’\']?an|Tianjin'
            .'|Changsha|Shenyang|Harbin|Kunming|Zhengzhou|Jinan|Dalian',
        'Colombia' => 'Bogot[áa]|Medell[íi]n|Bucaramanga',
        'Croatia' => 'Zagreb|Rijeka|Osijek',
        'Cyprus' => 'Nicosia|Limassol',
        'Czech Republic' => 'Prague|Brno|Ostrava|Olomouc',
        'Denmark' => 'Copenhagen|Aarhus|[ÅA]rhus|Odense|Aalborg|Jutland|Funen',
        'Ecuador' => 'Quito|Guayaquil',
        'Egypt' => 'Cairo|Mansoura|Assiut',
        'Estonia' => 'Tallinn|Tartu',
        'Ethiopia' => 'Addis Ababa|Gondar',
        'Finland' => 'Helsinki|Turku|Tampere|Oulu|Kuopio|Jyv[äa]skyl[äa]',
        'France' => 'Paris|Lyon|Marseilles?|Toulouse|Bordeaux|Lille|Nantes|Strasbourg|Montpellier|Grenoble|Rennes'
            .'|Rouen|Dijon|Clermont-Ferrand|Saint-[ÉE]tienne|Brittany|Normandy|Provence|Alsace',
        'Germany' => 'Berlin|Munich|Hamburg|Cologne|Frankfurt|Stuttgart|Leipzig|Dresden|Hanover|Heidelberg|Freiburg'
            .'|T[üu]bingen|G[öo]ttingen|Bonn|D[üu]sseldorf|Dortmund|Bochum|M[üu]nster|Nuremberg|Mannheim|Mainz|Ulm'
            .'|W[üu]rzburg|Rostock|Magdeburg|Bremen|Kiel|Aachen|Marburg|Giessen|Erlangen|L[üu]beck|Greifswald',
        'Ghana' => 'Accra|Kumasi',
        'Greece' => 'Athens|Thessaloniki|Patras|Heraklion|Ioannina|Crete',
        'Hungary' => 'Budapest|Debrecen|Szeged',
        'Iceland' => 'Reykjav[íi]k|Akureyri',
        'India' => '(?:New )?Delhi|Mumbai|Bombay|Kolkata|Chennai|Bangalore|Bengaluru|Pune|Ahmedabad|Lucknow|Jaipur'
            .'|Chandigarh|Vellore|Kochi|Mysore',
        'Indonesia' => 'Jakarta|Yogyakarta|Surabaya|Bandung',
        'Iran' => 'Tehran|Isfahan|Shiraz|Tabriz|Mashhad|Kerman',
        'Iraq' => 'Baghdad|Basra|Erbil',
        'Ireland' => 'Dublin|Galway|Limerick',
        'Israel' => 'Tel[ -]Aviv|Haifa|Beer[ -]?Sheva',
        'Italy' => 'Rome|Milan|Turin|Naples|Bologna|Padua|Pisa|Genoa|Verona|Palermo|Catania|Trieste|Perugia|Modena'
            .'|Parma|Pavia|Brescia|Bari|Siena|Florence',
        'Japan' => 'Tokyo|Osaka|Kyoto|Kobe|Nagoya|Sapporo|Fukuoka|Sendai|Hiroshima|Yokohama|Nagasaki|Kumamoto'
            .'|Kanazawa|Niigata|Okayama|Hokkaido|Kyushu|Okinawa',
        'Kenya' => 'Nairobi|Mombasa|Kisumu',
        'Latvia' => 'Riga',
        'Lebanon' => 'Beirut',
        'Lithuania' => 'Vilnius|Kaunas',
        'Malawi' => 'Blantyre|Lilongwe',
        'Malaysia' => 'Kuala Lumpur|Penang|Johor|Kelantan',
        'Mexico' => 'Mexico City|Monterrey|Puebla',
        'Morocco' => 'Rabat|Casablanca|Marrakesh',
        'Nepal' => 'Kathmandu|Dharan',
        'Netherlands' => 'Amsterdam|Rotterdam|Utrecht|The Hague|Groningen|Maastricht|Nijmegen|Leiden|Eindhoven'
            .'|Tilburg|Friesland|Limburg',
        'New Zealand' => 'Auckland|Wellington|Christchurch|Dunedin',
        'Nigeria' => 'Lagos|Ibadan|Abuja|Enugu|Kano',
        'Norway' => 'Oslo|Bergen|Trondheim|Stavanger|Troms[øo]|Kristiansand|Drammen|Bod[øo]|Finnmark|Telemark',
        'Pakistan' => 'Karachi|Lahore|Islamabad|Rawalpindi|Peshawar',
        'Peru' => 'Lima|Arequipa|Cusco',
        'Philippines' => 'Manila|Cebu|Quezon City',
        'Poland' => 'Warsaw|Krak[óo]w|Cracow|Wroc[łl]aw|Pozna[ńn]|Gda[ńn]sk|Lublin|Katowice|[ŁL][óo]d[źz]|Szczecin'
            .'|Bia[łl]ystok|Silesia|Pomerania',
        'Portugal' => 'Lisbon|Porto|Coimbra|Braga|[ÉE]vora|the Azores|the Algarve',
        'Romania' => 'Bucharest|Cluj-Napoca|Ia[șs]i|Timi[șs]oara',
        'Russia' => 'Moscow|Saint Petersburg|St\.? Petersburg|Novosibirsk|Yekaterinburg|Kazan',
        'Saudi Arabia' => 'Riyadh|Jeddah|Dammam|Mecca|Medina',
        'Senegal' => 'Dakar',
        'Serbia' => 'Belgrade|Novi Sad',
        'Slovakia' => 'Bratislava|Ko[šs]ice',
        'Slovenia' => 'Ljubljana|Maribor',
        'South Africa' => 'Cape Town|Johannesburg|Durban|Pretoria|Bloemfontein|Soweto|KwaZulu-Natal|Gauteng',
        'South Korea' => 'Seoul|Busan|Daegu|Incheon|Gwangju|Daejeon',
        'Spain' => 'Madrid|Barcelona|Seville|Bilbao|Zaragoza|M[áa]laga|Salamanca|Pamplona|Oviedo|San Sebasti[áa]n'
            .'|Alicante|Murcia|Valladolid|the Canary Islands|Mallorca',
        'Sri Lanka' => 'Colombo|Kandy',
        'Sudan' => 'Khartoum',
        'Sweden' => 'Stockholm|Gothenburg|G[öo]teborg|Malm[öo]|Uppsala|Lund|Link[öo]ping|Ume[åa]|[ÖO]rebro'
            .'|V[äa]ster[åa]s|J[öo]nk[öo]ping|Norrk[öo]ping|Scania|V[äa]stra G[öo]taland',
        'Switzerland' => 'Z[üu]rich|Geneva|Basel|Bern|Lausanne|St\.? Gallen|Lucerne|Ticino',
        'Taiwan' => 'Taipei|Kaohsiung|Taichung|Tainan',
        'Tanzania' => 'Dar es Salaam|Mwanza|Dodoma|Zanzibar',
        'Thailand' => 'Bangkok|Chiang Mai|Khon Kaen',
        'Tunisia' => 'Tunis|Sfax|Sousse',
        'Turkey' => 'Istanbul|Ankara|Izmir|[İI]zmir|Antalya|Bursa|Konya|Erzurum',
        'Uganda' => 'Kampala|Mbarara|Gulu',
        'Ukraine' => 'Kyiv|Kiev|Lviv|Kharkiv|Odes+a',
        'United Kingdom' => 'London|Edinburgh|Glasgow|Manchester|Liverpool|Leeds|Sheffield|Bristol|Nottingham'
            .'|Leicester|Cardiff|Swansea|Belfast|Aberdeen|Dundee|Southampton|Oxford|Coventry|Newcastle upon Tyne'
            .'|Yorkshire|Devon|Cornwall|Kent|Essex|Norfolk|Lancashire',
        'United States' => 'New York(?: City)?|Boston|Chicago|Los Angeles|San Francisco|Seattle|Philadelphia|Houston'
            .'|Dallas|Atlanta|Baltimore|Denver|Minneapolis|Pittsburgh|Cleveland|Detroit|San Diego|New Orleans'
            .'|Miami|St\.? Louis|Salt Lake City|Phoenix|Nashville|Milwaukee|Cincinnati|Washington',
        'Uruguay' => 'Montevideo',
        'Vietnam' => 'Hanoi|Ho Chi Minh City|Hue|Da Nang',
        'Zambia' => 'Lusaka|Ndola',
        'Zimbabwe' => 'Harare|Bulawayo',
    ];

    /** Where people are: what is made, sold or written “from” a city was studied elsewhere. */
    private const AT = '(?:\b(?:in|at|near|around|across|throughout|within|outside)'
        .'|\b(?:hospitals?|wards?|schools?|homes?|clinics?|cent(?:re|er)s?|universit(?:y|ies)|city|cities|region'
        .'|nurses|patients|workers|participants|residents|students|staff|people|adults|teachers|children) (?:of|from))'
        .'\s(?:the (?:city|region|county|province|greater) (?:of )?)?(?:(?:greater|central|downtown|rural) )?';

    /** What is called after a city. */
    private const THING = '(?! (?:\p{Lu}|scales?|tests?|index|criteria|declaration|questionnaire|classification))';

    /** Most texts name none: one look tells. */
    private static ?string $any = null;

    /** @return list<string> the countries of the cities that a text says people were in, in the order of names */
    public static function countries(string $text): array
    {
        self::$any ??= self::pattern(implode('|', self::NAMES));
        if (preg_match(self::$any, $text) !== 1) {
            return [];
        }
        $isNamed = fn (string $cities): bool => preg_match(self::pattern($cities), $text) === 1;

        return array_keys(array_filter(self::NAMES, $isNamed));
    }

    private static function pattern(string $cities): string
    {
        return '/'.self::AT."(?=\\p{Lu}|the \\p{Lu})(?:{$cities})(?![\\p{L}-])".self::THING.'/u';
    }
}
