<?php

use WaryHeron\Core\Bibliography\Cited\CitedNames;
use WaryHeron\Core\Bibliography\Cited\CitedNumbers;
use WaryHeron\Core\Bibliography\Cited\CitedPlace;
use WaryHeron\Core\Bibliography\Name;

it('tells the names before a title from the title', function (string $text, string $names, string $rest) {
    $read = CitedNames::ahead($text);
    expect(implode('; ', array_map(fn (Name $one): string => $one->inverts(), $read->names ?? [])))->toBe($names)
        ->and(trim($read->rest ?? $text, ' .'))->toBe($rest);
})->with([
    'initials without stops' => ['Kolbe A, van der Berg J, Haas-Ito MK. Dim lamps', 'Kolbe, A; van der Berg, J; Haas-Ito, MK', 'Dim lamps'],
    'initials with stops' => ['Kolbe, A. B., & de Vries, P.-J. Dim lamps', 'Kolbe, A. B.; de Vries, P.-J.', 'Dim lamps'],
    'initials with stops and no commas' => ['Kolbe A.B., Haas M.K. Dim lamps', 'Kolbe, A.B.; Haas, M.K.', 'Dim lamps'],
    'initials ahead' => ['A. B. Kolbe, M. Haas, and K. Ito, Dim lamps', 'Kolbe, A. B.; Haas, M.; Ito, K.', ', Dim lamps'],
    'in full' => ['Kolbe, Anna B., Mira Haas, and Ken Ito. Dim lamps', 'Kolbe, Anna B.; Haas, Mira; Ito, Ken', 'Dim lamps'],
    'in full, parted by semicolons' => ['Kolbe, Anna; Haas, Mira. Dim lamps', 'Kolbe, Anna; Haas, Mira', 'Dim lamps'],
    'a title that begins with a letter' => ['Kolbe A. A lamp', 'Kolbe, A', 'A lamp'],
    'a title that begins with a letter and a hyphen' => ['Kolbe A, Haas M. B-vitamins and lamps', 'Kolbe, A; Haas, M', 'B-vitamins and lamps'],
    'a younger one' => ['Kolbe AB Jr, Haas M III. Dim lamps', 'Kolbe, AB, Jr; Haas, M, III', 'Dim lamps'],
    'others' => ['Kolbe A, Haas M, et al. Dim lamps', 'Kolbe, A; Haas, M; et al.', 'Dim lamps'],
    'and others' => ['Kolbe, A., and others. Dim lamps', 'Kolbe, A.; et al.', 'Dim lamps'],
    'left out in the middle' => ['Kolbe, A., … Ude, M. Dim lamps', 'Kolbe, A.; Ude, M.', 'Dim lamps'],
    'for a group' => ['Kolbe A; on behalf of the DAWN Group. Dim lamps', 'Kolbe, A; DAWN Group', 'Dim lamps'],
    'with a group' => ['Kolbe A, Haas M, DAWN Study Group. Dim lamps', 'Kolbe, A; Haas, M; DAWN Study Group', 'Dim lamps'],
    'a body' => ['World Council of Wards. Dim lamps', 'World Council of Wards', 'Dim lamps'],
    'a short body' => ['WCW. Dim lamps', 'WCW', 'Dim lamps'],
    'editors' => ['Okafor I, Ito K, editors. Dim lamps', 'Okafor, I; Ito, K', 'Dim lamps'],
    'of several languages' => ['Dupont A. et Moreau C. Dim lamps', 'Dupont, A; Moreau, C', 'Dim lamps'],
    'no names' => ['dim lamps of the wards', '', 'dim lamps of the wards'],
    'a sentence' => ['Lamps were lit. They slept', '', 'Lamps were lit. They slept'],
    'nothing' => ['', '', ''],
]);

it('tells volume, issue, pages and year in whatever order, and nothing where anything else stands there', function (
    string $text,
    ?array $told,
) {
    $read = CitedNumbers::read($text);
    expect($read === null ? null : [$read->year, $read->volume, $read->issue, $read->pages])->toBe($told);
})->with([
    ['2004;3(2):12-9', [2004, '3', '2', '12-9']],
    ['2004 Jun 3;12(Suppl 1):S5-S9', [2004, '12', 'Suppl 1', 'S5-S9']],
    ['2018;44 Suppl 1:S22-9', [2018, '44', 'Suppl 1', 'S22-9']],
    ['3(2), 12–19', [null, '3', '2', '12–19']],
    ['vol. 3, no. 2, pp. 12-19, Feb. 2004', [2004, '3', '2', '12-19']],
    ['vol. 3, n° 2, p. 12-19', [null, '3', '2', '12-19']],
    ['3 (2004): 12–19', [2004, '3', '', '12–19']],
    ['22, no. 4 (Winter 1998): 301–27', [1998, '22', '4', '301–27']],
    ['512, 88–93 (2014)', [2014, '512', '', '88–93']],
    ['155 (2019) 106432', [2019, '155', '', '106432']],
    ['2018, 122 (5), 1180–1187', [2018, '122', '5', '1180–1187']],
    ['81, 5, 1011-1019', [null, '81', '5', '1011-1019']],
    ['73(12), Article 801', [null, '73', '12', '801']],
    ['14 (2), S. 55–63', [null, '14', '2', '55–63']],
    ['2016;(3):CD999999', [2016, '', '3', 'CD999999']],
    ['3:1998-2004', [null, '3', '', '1998-2004']],
    ['2022; published online March 3', [2022, '', '', '']],
    ['12 March 2015', [2015, '', '', '']],
    ['2004. J Sleep 3:1', null],
    ['3 lamps', null],
    ['(see there)', null],
]);

it('tells where a work appeared, and leaves what it cannot tell', function (string $text, ?array $told) {
    $read = CitedPlace::read($text);
    expect($read === null ? null : [$read->type->value, $read->journal, $read->place, $read->publisher, $read->pages])->toBe($told);
})->with([
    ['J. Night Sleep. 2004;3:12', ['article', 'J. Night Sleep', '', '', '12']],
    ['Night Rxiv. 2022', ['article', 'Night Rxiv', '', '', '']],
    ['Lund: Fen House; 2011', ['book', '', 'Lund', 'Fen House', '']],
    ['2nd ed. Lund, Sweden: Fen House, 2011', ['book', '', 'Lund, Sweden', 'Fen House', '']],
    ['Fen House', ['book', '', '', 'Fen House', '']],
    ['Fen House, Lund', ['book', '', 'Lund', 'Fen House', '']],
    ['In: Ek L, ed. Rotas. Lund: Fen House; 2011. p. 3-9', ['chapter', 'Rotas', 'Lund', 'Fen House', '3-9']],
    ['In Rotas, edited by Lena Ek, 3–9. Lund: Fen House', ['chapter', 'Rotas', 'Lund', 'Fen House', '3–9']],
    ['in L. Ek (Ed.), Rotas (pp. 3–9). Fen House', ['chapter', 'Rotas', '', 'Fen House', '3–9']],
    ['In: Zeitschrift für Nacht 14 (2), S. 55–63', ['article', 'Zeitschrift für Nacht', '', '', '55–63']],
    ['in Proc. Night Conf., Lund, 2006, pp. 1-4', ['conference', 'Proc. Night Conf.', 'Lund', '', '1-4']],
    ['A trial of lamps. Ward Stud. 2011;12:5', null],
    ['Report to the council; 2012', null],
    ['', null],
]);
