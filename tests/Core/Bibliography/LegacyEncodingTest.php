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
    'French of a Macintosh' => ['Mac OS Roman', 'MACINTOSH', 'Étude à l’hôpital', 'Müller, É.'],
    'French' => ['Windows-1252', 'CP1252', 'Étude à l’hôpital « de nuit »', 'Müller, É.'],
    'German' => ['Windows-1252', 'CP1252', 'Übermüdung – „Größe“ und Maß', 'Müßig, Jörg'],
    'Spanish and Portuguese' => ['Windows-1252', 'CP1252', '¿Niños o señoras? São João à noite', 'Muñoz, José'],
    'Danish and Icelandic' => ['Windows-1252', 'CP1252', 'Ærø på natten, það er ljós', 'Sørensen, Åge'],
    'one letter, which says nothing' => ['Windows-1252', 'CP1252', 'A café', 'Kolbe, A.'],
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
