<?php

namespace Tests\Core\Bibliography\LegacyEncoding;

use WaryHeron\Core\Bibliography\Format\Formats;
use WaryHeron\Core\Bibliography\Format\LegacyEncoding;
use WaryHeron\Core\Bibliography\Format\Reading;

/** A file of three works in an encoding, as its first title, its first author and the encoding it was found to be in. */
function readIn(string $encoding, string $format, string $title, string $author): array
{
    $one = $format === 'ris'
        ? "TY  - JOUR\nTI  - {$title}\nAU  - {$author}\nPY  - 2004\nER  - \n"
        : "@article{a, title = {{$title}}, author = {{$author}}, year = 2004}\n";
    $bytes = iconv('UTF-8', $encoding, str_repeat($one, 3));
    expect(Formats::recognise($bytes))->toBe($format);
    $stream = fopen('php://memory', 'r+b');
    fwrite($stream, $bytes);
    rewind($stream);
    $reading = new Reading();
    [$first] = iterator_to_array(Formats::readers()[$format]->read($stream, $reading), false);

    return [$first->title, $first->authors[0]->inverts(), $reading->found];
}

it('reads what was written before Unicode', function (string $found, string $encoding, string $title, string $author) {
    expect(readIn($encoding, 'ris', $title, $author))->toBe([$title, $author, $found])
        ->and(readIn($encoding, 'bibtex', $title, $author))->toBe([$title, $author, $found]);
})->with([
    'Japanese, as Windows writes it' => ['Shift JIS', 'CP932', '夜勤看護師の光照射', '田中, 花子'],
    'Japanese' => ['EUC-JP', 'EUC-JP', '夜勤看護師の光照射', '田中, 花子'],
    'Japanese by escapes' => ['ISO-2022-JP', 'ISO-2022-JP', '夜勤看護師の光照射', '田中, 花子'],
    'Chinese, simplified' => ['GB 18030', 'GB18030', '夜班护士的光照', '王, 芳'],
    'Chinese, traditional' => ['Big5', 'CP950', '夜班護士的光照研究', '王, 芳'],
    'Korean' => ['EUC-KR', 'CP949', '야간 간호사의 빛', '김, 영희'],
    'Russian, as Windows writes it' => ['Windows-1251', 'CP1251', 'Свет на ночных сменах', 'Иванов, И.'],
    'Russian in capitals' => ['Windows-1251', 'CP1251', 'ВЛИЯНИЕ НОЧНЫХ СМЕН', 'ИВАНОВ, И.'],
    'Chinese of few common signs' => ['GB 18030', 'GB18030', '光照疗法的临床应用', '王, 芳'],
    'Russian' => ['KOI8-R', 'KOI8-R', 'Свет на ночных сменах', 'Иванов, И.'],
    'Russian by the standard' => ['ISO 8859-5', 'ISO-8859-5', 'Свет на ночных сменах', 'Иванов, И.'],
    'Greek' => ['Windows-1253', 'CP1253', 'Φως τη νύχτα', 'Παπαδόπουλος, Γ.'],
    'Hebrew' => ['Windows-1255', 'CP1255', 'אור בלילה', 'כהן, א.'],
    'Polish' => ['Windows-1250', 'CP1250', 'Światło nocą – źródła żółte', 'Łoś, Żaneta'],
    'Czech' => ['Windows-1250', 'CP1250', 'Účinek světla na noční směně ošetřovatelů', 'Dvořák, Jiří'],
    'Slovak' => ['Windows-1250', 'CP1250', 'Vplyv svetla na spánok sestier a únavu počas nočných služieb', 'Kováčová, Ľubica'],
    'Hungarian' => ['Windows-1250', 'CP1250', 'A fény hatása az éjszakai műszakban dolgozó nővérekre', 'Szűcs, Erzsébet'],
    'Croatian' => ['Windows-1250', 'CP1250', 'Učinak svjetla na noćni rad medicinskih sestara: što ćemo učiniti', 'Đurić, Željka'],
    'Romanian' => ['Windows-1250', 'CP1250', 'Efectul luminii asupra asistenţilor în tura de noapte şi oboseală', 'Ţurcanu, Ştefan'],
    'Turkish' => ['Windows-1254', 'CP1254', 'Gece vardiyasında çalışan hemşirelerde ışığın etkisi', 'Yıldız, Şule'],
    'Lithuanian' => ['Windows-1257', 'CP1257', 'Šviesos poveikis naktį dirbančių slaugytojų miegui', 'Žukauskienė, Rūta'],
    'Latvian' => ['Windows-1257', 'CP1257', 'Gaismas ietekme uz māsām nakts maiņās', 'Bērziņš, Jānis'],
    'Arabic' => ['Windows-1256', 'CP1256', 'تأثير الضوء على الممرضات', 'حسن, م.'],
    'Thai' => ['Thai (TIS-620)', 'CP874', 'ผลของแสงต่อพยาบาลกะกลางคืน', 'สมชาย, ก.'],
    'Russian of DOS' => ['DOS 866', 'CP866', 'Свет на ночных сменах', 'Иванов, И.'],
    'Russian in capitals by the other table' => ['KOI8-R', 'KOI8-R', 'ВЛИЯНИЕ НОЧНЫХ СМЕН НА СОН', 'ИВАНОВ, И.'],
    'French of DOS' => ['DOS 850', 'CP850', 'Étude de l\'effet de la lumière à l\'hôpital', 'Müller, Zoé'],
    'Czech of DOS' => ['DOS 852', 'CP852', 'Účinek světla na noční směně ošetřovatelů', 'Dvořák, Jiří'],
    'French of a Macintosh' => ['Mac OS Roman', 'MACINTOSH', 'Étude à l’hôpital', 'Müller, É.'],
    'French' => ['Windows-1252', 'CP1252', 'Étude à l’hôpital « de nuit »', 'Müller, É.'],
    'German' => ['Windows-1252', 'CP1252', 'Übermüdung – „Größe“ und Maß', 'Müßig, Jörg'],
    'Spanish and Portuguese' => ['Windows-1252', 'CP1252', '¿Niños o señoras? São João à noite', 'Muñoz, José'],
    'Danish and Icelandic' => ['Windows-1252', 'CP1252', 'Ærø på natten, það er ljós', 'Sørensen, Åge'],
    'one letter, which says nothing' => ['Windows-1252', 'CP1252', 'A café', 'Kolbe, A.'],
]);

it('tells them by other words as well', function (string $encoding, string $lines) {
    $bytes = iconv('UTF-8', $encoding, str_repeat("{$lines}\n", 2));
    $found = LegacyEncoding::of($bytes);
    expect($found)->not->toBeNull()
        ->and(LegacyEncoding::decoded($bytes, $found))->toBe(iconv($encoding, 'UTF-8', $bytes));
})->with([
    ['CP1252', "Schlafstörungen bei Pflegekräften im Nachtdienst\nBaumgärtner, Käthe; Höß, Günther"],
    ['CP1252', "Troubles du sommeil chez les infirmières de nuit : une étude randomisée\nLefèvre, Anaïs"],
    ['CP1252', "Trastornos del sueño en enfermería: revisión sistemática\nNúñez, Begoña"],
    ['CP1252', "Distúrbios do sono em enfermeiras: revisão sistemática e metanálise\nGonçalves, Conceição"],
    ['CP1252', "Søvnforstyrrelser hos sygeplejersker på nathold\nKjær, Åse"],
    ['CP1252', "Sömnstörningar hos sjuksköterskor på natten\nÖberg, Märta"],
    ['CP1252', "Unihäiriöt yövuorossa työskentelevillä hoitajilla\nHämäläinen, Päivi"],
    ['CP1252', "Svefntruflanir hjúkrunarfræðinga á næturvöktum\nGuðmundsdóttir, Þóra"],
    ['CP1252', "Trastorns del son en infermeres de nit: l'efecte de la llum\nPuigdomènech, Núria; Solà, Víctor; Güell, Òscar"],
    ['CP1250', "Poruchy spánku u sester na nočních směnách: přehled\nNěmcová, Růžena"],
    ['CP1250', "Zaburzenia snu u pielęgniarek pracujących w nocy\nWiśniewska, Małgorzata"],
    ['CP1250', "Alvászavarok éjszakai műszakban dolgozó ápolóknál\nKőszegi, Győző"],
    ['CP1250', "Poremećaji spavanja kod medicinskih sestara\nŠimić, Đurđica; Čović, Žarko"],
    ['CP1250', "Tulburări de somn la asistentele de noapte şi lumină\nBălănescu, Ştefania"],
    ['CP1250', "Motnje spanja pri medicinskih sestrah v nočni izmeni\nČešnovar, Špela; Žgajnar, Anže"],
    ['CP1254', "Gece çalışan hemşirelerde uyku bozuklukları ve ışık tedavisi\nŞahin, Çağla"],
    ['CP1257', "Naktinių pamainų slaugytojų miego sutrikimai\nŽemaitytė, Eglė"],
    ['CP1257', "Miega traucējumi nakts maiņas māsām\nKalniņa, Līga"],
    ['CP1257', "Õendustöötajate unehäired öövahetuses\nÕunapuu, Ülle; Šapiro, Žanna"],
    ['CP1251', "Нарушения сна у медсестёр\nПетрова, А. Б."],
    ['CP1251', "Порушення сну у медичних сестер, що працюють уночі\nКовальчук, Ї. І."],
    ['CP1251', "Нарушения на съня при медицински сестри\nГеоргиева, Ц."],
    ['CP1251', "Поремећаји сна код медицинских сестара\nЈовановић, Љ."],
    ['KOI8-R', "Нарушения сна у медсестер\nПетрова, А. Б."],
    ['KOI8-R', 'НАРУШЕНИЯ СНА У МЕДСЕСТЕР: ОБЗОР'],
    ['CP866', "Нарушения сна у медсестер\nПетрова, А. Б."],
    ['CP1253', "Διαταραχές ύπνου σε νοσηλευτές νυχτερινής βάρδιας\nΚωνσταντίνου, Ε."],
    ['CP1255', "הפרעות שינה אצל אחיות במשמרת לילה\nלוי, ר."],
    ['CP1256', "اضطرابات النوم لدى ممرضات الليل\nيوسف, ل."],
    ['CP1256', "اختلالات خواب در پرستاران شب‌كار\nرضايي, م."],
    ['CP874', "ความผิดปกติของการนอนหลับในพยาบาล\nใจดี, ป."],
    ['CP932', "夜勤看護師における睡眠障害の検討\n佐藤, 恵"],
    ['CP932', '光療法の有効性に関するランダム化比較試験'],
    ['EUC-JP', "夜勤看護師における睡眠障害の検討\n佐藤, 恵"],
    ['GB18030', "夜班护士睡眠障碍的系统评价\n李, 娜"],
    ['GB18030', '急诊科轮班护士疲劳状况调查'],
    ['CP950', "夜班護理人員睡眠障礙之系統性回顧\n陳, 怡君"],
    ['CP949', "야간근무 간호사의 수면장애에 관한 체계적 고찰\n박, 지민"],
    ['MACINTOSH', "Schlafstörungen bei Pflegekräften\nBaumgärtner, Käthe; Höß, Günther"],
    ['MACINTOSH', "Troubles du sommeil chez les infirmières : une étude\nLefèvre, Anaïs"],
    ['CP850', "Schlafstörungen bei Pflegekräften\nBaumgärtner, Käthe; Höß, Günther"],
    ['CP850', "Trastornos del sueño en enfermería: revisión\nNúñez, Begoña"],
    ['CP852', "Poruchy spánku u sester na nočních směnách\nNěmcová, Růžena"],
]);

it('takes no text of the west of Europe for another', function (string $text) {
    expect(LegacyEncoding::of(iconv('UTF-8', 'CP1252', $text)))->toBe(LegacyEncoding::USUAL);
})->with([
    'AÇÃO EDUCATIVA À SAÚDE DOS TRABALHADORES: AVALIAÇÃO E ÊXITO',
    'GRÖßE UND MAß DER ÜBERMÜDUNG, STRAßE',
    'Yötyö ja väsymys sairaalassa: hämärä työvuoro',
    'Næturvaktir og þreyta: áhrif ljóss á svefn hjúkrunarfræðinga',
    'Étude comparative : « sommeil » et œuvre, nº 5, 37 °C ± 2, 10 µg·kg¹',
    'El sueño del personal sanitario: ¿turnos rotatorios? ¡Sí! ñandú',
    'd’Été à l’École — “señal” † ‡ • … ™ © ®',
    "Jönsson, Åke\nSørensen, Bjørn\nMüller, René\nGarcía, Íñigo\nFrançois, Zoé\nD’Àvila, São",
    'Iluminação e sono: avaliação de funções em três hospitais à noite',
    'La luce e il sonno: perché più caffè, così e già, né più né meno',
    'Õhtune vahetus ja öine töö: õdede väsimus, šokk ja žanr',
    "Een pilootstudie: geïnduceerde slaap, coördinatie, Curaçao, één\nOíche mhaith, an sláinte",
    'ÉTUDE DE L’EFFET DE LA LUMIÈRE À L’HÔPITAL, NOËL, AÏE',
]);

it('keeps to the usual where nothing speaks for another, and where a person has said so', function () {
    expect(LegacyEncoding::of("Caf\xE9 \x93x\x94 \xB0 \xB5g \xA9 \xAE 5\xB2 \xBD"))->toBe(LegacyEncoding::USUAL)
        ->and(LegacyEncoding::of(''))->toBeNull()
        ->and(LegacyEncoding::of("Caf\xE9"))->toBeNull();
    foreach (['Windows-1252' => 'Ñâåò', 'UTF-8' => 'Свет'] as $said => $title) {
        $stream = fopen('php://memory', 'r+b');
        fwrite($stream, iconv('UTF-8', 'CP1251', "TY  - JOUR\nTI  - Свет на ночных сменах\nER  - \n"));
        rewind($stream);
        [$read] = iterator_to_array(Formats::readers()['ris']->read($stream, $reading = new Reading($said)), false);
        expect($read->title)->toStartWith($title)->and($reading->found)->toBe($said === 'UTF-8' ? 'Windows-1251' : $said);
    }
});

it('knows from what is told of a text whether its encoding is in doubt', function (string $found, ?string $doubtful) {
    $reading = new Reading();
    [$reading->found, $reading->mended] = [$found, 2];
    expect(Reading::doubtful($reading->remarks()))->toBe($doubtful);
})->with([
    'taken for it' => ['Windows-1252', 'Windows-1252'],
    'with a bracket' => ['Thai (TIS-620)', 'Thai (TIS-620)'],
    'chosen' => ['ISO-8859-1', 'ISO-8859-1'],
    'Unicode' => ['UTF-8', null],
    'Unicode, as its zeros show' => ['UTF-16LE', null],
    'as its escapes show' => ['ISO-2022-JP', null],
]);

it('says how words would read in other encodings, the likeliest first', function () {
    $readings = LegacyEncoding::readings('Њwiatіo bікdy', 'Windows-1251');
    expect(array_slice($readings, 0, 3))->toHaveKey('Windows-1250', 'Światło błędy')
        ->and($readings)->not->toHaveKey('Windows-1251')
        ->and(count(array_unique($readings)))->toBe(count($readings))
        // what was never read in it has no other reading
        ->and(LegacyEncoding::readings('夜勤', 'Windows-1252'))->toBe([]);
});
