<?php

use WaryHeron\Core\Bibliography\Format\Formats;
use WaryHeron\Core\Bibliography\Format\Printed\PrintedReader;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Reference;

/** @return list<Reference|UnreadableRecord> */
function printed(string $text): array
{
    $stream = fopen('php://memory', 'w+');
    fwrite($stream, $text);
    rewind($stream);

    return iterator_to_array((new PrintedReader())->read($stream), false);
}

/** “Haas, M; Ito, K | 2004 | Dim lamps | J Sleep 3(2):12–9 | 10.71111/abc” */
function toldOf(Reference $one): string
{
    $names = implode('; ', array_map(fn (Name $name): string => $name->inverts(), $one->authors));

    return implode(' | ', [$names, $one->year, $one->title, trim("{$one->appearedIn()} {$one->place()}"), $one->doi]);
}

it('reads a reference of whatever style as its parts', function (string $line, string $told) {
    expect(Formats::recognise($line))->toBe('printed')
        ->and(toldOf(printed($line)[0]))->toBe($told);
})->with([
    'of medicine' => [
        '1. Kolbe A, Haas M, et al. Dim lamps in wards: a trial. J Night Sleep. 2004;3(2):12-9. doi:10.71111/abc',
        'Kolbe, A; Haas, M; et al. | 2004 | Dim lamps in wards: a trial | J Night Sleep 3(2):12–9 | 10.71111/abc',
    ],
    'of medicine, with a month' => [
        'van der Berg A, Haas-Ito M. Visors for nurses. J Sleep 2005 Mar;4:e12.',
        'van der Berg, A; Haas-Ito, M | 2005 | Visors for nurses | J Sleep 4:e12 | ',
    ],
    'of medicine, a supplement' => [
        'Ito K, Kolbe AB. Do visors help? A trial. Ward Stud. 2011 Jun 3;12(Suppl 1):S5-S9.',
        'Ito, K; Kolbe, AB | 2011 | Do visors help? A trial | Ward Stud 12(Suppl 1):S5–S9 | ',
    ],
    'letters of several bytes at its edges' => [
        'Kaya Ş, Öz Ü. Gece lambaları ve uyku: bir deneme. İş Uykusu. 2004;3:12-9.',
        'Kaya, Ş; Öz, Ü | 2004 | Gece lambaları ve uyku: bir deneme | İş Uykusu 3:12–9 | ',
    ],
    'of psychology' => [
        'Kolbe, A. B., & Haas, M. (2004). Dim lamps in wards: a trial. Journal of Sleep, 3(2), 12–19. https://doi.org/10.71111/abc',
        'Kolbe, A. B.; Haas, M. | 2004 | Dim lamps in wards: a trial | Journal of Sleep 3(2):12–19 | 10.71111/abc',
    ],
    'of a university' => [
        'Kolbe, A. and Haas, M., 2004. Dim lamps in wards: a trial. Journal of Sleep, 3(2), pp. 12-19.',
        'Kolbe, A.; Haas, M. | 2004 | Dim lamps in wards: a trial | Journal of Sleep 3(2):12–19 | ',
    ],
    'of the humanities' => [
        'Kolbe, Anna. “Dim lamps in wards: a trial.” Journal of Sleep 3, no. 2 (2004): 12–19.',
        'Kolbe, Anna | 2004 | Dim lamps in wards: a trial | Journal of Sleep 3(2):12–19 | ',
    ],
    'of engineers' => [
        '[7] A. Kolbe and M. Haas, "Dim lamps in wards: a trial," J. Sleep, vol. 3, no. 2, pp. 12-19, 2004.',
        'Kolbe, A.; Haas, M. | 2004 | Dim lamps in wards: a trial | J. Sleep 3(2):12–19 | ',
    ],
    'of a meeting' => [
        '[2] K. Ito, "Visors for the nurses of the night," in Proc. Night Conf., Lund, 2006, pp. 1-4.',
        'Ito, K. | 2006 | Visors for the nurses of the night | Proc. Night Conf., Lund 1–4 | ',
    ],
    'of physicians, its volume with a colon' => [
        'Kolbe A, Haas M (2004) Dim lamps in wards: a trial. J Sleep 3:12–19. https://doi.org/10.71111/abc',
        'Kolbe, A; Haas, M | 2004 | Dim lamps in wards: a trial | J Sleep 3:12–19 | 10.71111/abc',
    ],
    'of naturalists, the year at its end' => [
        'Kolbe, A. & Haas, M. Dim lamps in wards: a trial. J. Sleep 3, 12–19 (2004).',
        'Kolbe, A.; Haas, M. | 2004 | Dim lamps in wards: a trial | J. Sleep 3:12–19 | ',
    ],
    'of chemists' => [
        'Kolbe, A.; Haas, M. Dim lamps in wards: a trial. J. Sleep 2004, 3 (2), 12–19.',
        'Kolbe, A.; Haas, M. | 2004 | Dim lamps in wards: a trial | J. Sleep 3(2):12–19 | ',
    ],
    'of a university, in single quotation marks' => [
        'Kolbe, A. and Haas, M. (2004) ‘Dim lamps in wards: a trial’, Journal of Sleep, 3(2), pp. 12–19.',
        'Kolbe, A.; Haas, M. | 2004 | Dim lamps in wards: a trial | Journal of Sleep 3(2):12–19 | ',
    ],
    'seen on a day' => [
        'Kolbe A, Haas M. Dim lamps in wards: a trial. J Sleep. 2004 [cited 2020 Mar 3];3(2):12-9. Available from: https://example.org/lamps',
        'Kolbe, A; Haas, M | 2004 | Dim lamps in wards: a trial | J Sleep 3(2):12–9 | ',
    ],
    'the second author as she is called' => [
        'Kolbe, Anna, and Mirela Haas. 2004. "Dim Lamps in Wards: A Trial." Journal of Sleep 3 (2): 12–19.',
        'Kolbe, Anna; Haas, Mirela | 2004 | Dim Lamps in Wards: A Trial | Journal of Sleep 3(2):12–19 | ',
    ],
    'with others, the year before the pages' => [
        'Kolbe, Anna, et al. "Dim Lamps in Wards." Journal of Sleep, vol. 3, no. 2, 2004, pp. 12-19.',
        'Kolbe, Anna; et al. | 2004 | Dim Lamps in Wards | Journal of Sleep 3(2):12–19 | ',
    ],
    'a chapter' => [
        'Haas M. Lamps. In: Okafor I, Ito K, editors. Rotas of the night. Lund: Fen House; 2011. p. 33-41.',
        'Haas, M | 2011 | Lamps | Rotas of the night 33–41 | ',
    ],
    'a chapter of psychologists' => [
        'Haas, M. (2011). Lamps and their lux. In I. Okafor (Ed.), Rotas of the night (pp. 33–41). Fen House.',
        'Haas, M | 2011 | Lamps and their lux | Rotas of the night 33–41 | ',
    ],
    'names and a title of Spain' => [
        '12. de la Cruz-Ibáñez AM, O’Neill P. ¿Duermen las enfermeras? Rev Enferm. 2010;33(1):5-9.',
        'de la Cruz-Ibáñez, AM; O’Neill, P | 2010 | ¿Duermen las enfermeras? | Rev Enferm 33(1):5–9 | ',
    ],
    'three as they are called' => [
        '[15] B. Strand, O. Lind, and Å. Öster, “Night work and falls in wards,” Trans. Wards, vol. 12, no. 3, pp. 801–807, Dec. 2016.',
        'Strand, B.; Lind, O.; Öster, Å. | 2016 | Night work and falls in wards | Trans. Wards 12(3):801–807 | ',
    ],
    'an article by its number' => [
        'Strand, B. (2016). Night work and falls: A cohort. Occupational Wards, 73(12), Article 801.',
        'Strand, B | 2016 | Night work and falls: A cohort | Occupational Wards 73(12):801 | ',
    ],
    'at a meeting of some days' => [
        'Strand B, Lind O. Night work and falls. In: Proceedings of the 4th Night Congress; 2016 May 3-5; Lund. p. 44-9.',
        'Strand, B; Lind, O | 2016 | Night work and falls | Proceedings of the 4th Night Congress 44–9 | ',
    ],
    'pages in German' => [
        'Strand B. Nachtarbeit und Stürze auf Station. Pflege heute 2016; 12(3): S. 801–807.',
        'Strand, B | 2016 | Nachtarbeit und Stürze auf Station | Pflege heute 12(3):801–807 | ',
    ],
    'for a group' => [
        'Strand B, Lind O; for the NIGHTFALL Group. Night work and falls. Occup Wards. 2016;73:801-7.',
        'Strand, B; Lind, O; NIGHTFALL Group | 2016 | Night work and falls | Occup Wards 73:801–7 | ',
    ],
    'a comma before the volume' => [
        'Strand B. Night work and falls: a cohort. Occup Wards 2016, 73:801-807.',
        'Strand, B | 2016 | Night work and falls: a cohort | Occup Wards 73:801–807 | ',
    ],
    'nothing behind the title' => [
        'World Council of Wards. (2018). Lamps at work: guidance for nights. https://example.org/guidance',
        'World Council of Wards | 2018 | Lamps at work: guidance for nights |  | ',
    ],
    'a body' => [
        'Night Council of the Wards. Lamps at work. Lund: Fen House; 2012.',
        'Night Council of the Wards | 2012 | Lamps at work |  | ',
    ],
    'a body with its short name' => [
        'National Institute for Lamps and Light (NILL). (2018). Lamps at work. Lund: Fen House, 2018.',
        'National Institute for Lamps and Light (NILL) | 2018 | Lamps at work |  | ',
    ],
]);

it('tells a book by its publisher, and keeps where the rest appeared', function () {
    [$book, $other] = printed("1. Okafor I. Rotas of the night. 2nd ed. Lund: Fen House; 2011.\n2. Haas M. Lamps of the wards. Report to the council; 2012.\n");
    expect([$book->type->value, $book->place, $book->publisher, $book->extra])->toBe(['book', 'Lund', 'Fen House', []])
        ->and([$other->type->value, $other->extra[0]->tag, $other->extra[0]->value])
        ->toBe(['other', 'appeared', 'Report to the council; 2012']);
});

it('tells who edited a book, and the book that a chapter stands in', function () {
    [$book, $chapter] = printed(
        "1. Okafor I, Ito K, editors. Rotas of the night. Lund: Fen House; 2011.\n2. Haas M. Lamps of the wards. In: Okafor I, editor. Rotas of the night. Lund: Fen House; 2011. p. 33-41.\n",
    );
    $named = fn (array $names): array => array_map(fn (Name $name): string => $name->inverts(), $names);
    expect([$book->type->value, $book->authors, $named($book->editors)])->toBe(['book', [], ['Okafor, I', 'Ito, K']])
        ->and([$chapter->type->value, $named($chapter->authors), $named($chapter->editors), $chapter->publisher])
        ->toBe(['chapter', ['Haas, M'], ['Okafor, I'], 'Fen House']);
});

it('takes a list apart by its numbers, whatever its lines, and says where each began', function () {
    $text = "References\r\n\r\n1. Kolbe A, Haas M. Dim lamps in\r\nwards: a trial. J Sleep.\r\n2004;3:12-9.\r\n2. Lamps, and nothing else\r\n3. Ito K. Visors for nurses. J Sleep. 2005;4:1.\r\n";
    [$first, $untold, $last] = printed($text);
    expect([$first->line, $first->source, $untold->line, $last->line])->toBe([
        3,
        '1. Kolbe A, Haas M. Dim lamps in wards: a trial. J Sleep. 2004;3:12-9.',
        6,
        7,
    ])
        ->and($untold)->toBeInstanceOf(UnreadableRecord::class)
        ->and($untold->message)->toContain('Where the title begins and ends cannot be told')
        ->and($untold->text)->toBe('2. Lamps, and nothing else');
});

it('takes a list apart by blank lines where its references go over lines', function () {
    $text = "Kolbe, A. B., & Haas, M. (2004). Dim lamps in wards: a trial\nof sleep. Journal of Sleep, 3(2), 12–19.\n\nIto, K. (2005). Visors for nurses of the night.\nLamps and Lux, 4, 1–9.\n";
    expect(array_map(toldOf(...), printed($text)))->toBe([
        'Kolbe, A. B.; Haas, M. | 2004 | Dim lamps in wards: a trial of sleep | Journal of Sleep 3(2):12–19 | ',
        'Ito, K | 2005 | Visors for nurses of the night | Lamps and Lux 4:1–9 | ',
    ])
        ->and(array_column(printed($text), 'line'))->toBe([1, 4])
        // one a line, in groups
        ->and(printed("Kolbe A. Lamps of wards. J Sleep. 2004;3:1.\nIto K. Visors of wards. J Sleep. 2005;4:1.\n\nUde M. Nights of wards. J Sleep. 2006;5:1.\n"))
        ->toHaveCount(3);
});

it('takes no other text for a list of references', function (string $text) {
    expect(fn () => Formats::recognise($text))->toThrow(UnusableFile::class, 'known format');
})->with([
    'prose' => ["Dear all,\nthe lamps are lit.\n"],
    'titles alone' => ["Dim lamps in wards: a trial of sleep\nVisors for nurses of the night 2004\n"],
    'minutes' => ["Minutes of 3 May 2024. Present: Haas, Okafor. We search three databases. Next meeting 2025.\n"],
    'a strategy' => ["1. exp Lamps/\n2. (night adj3 work).ti,ab.\n3. 1 and 2\n4. limit 3 to yr=2004-2020\n"],
    'a table of contents' => ["1. Lamps at night 4\n2. Wards 12\n3. What was found in 2004 17\n"],
    'a letter with one reference in it' => ["Dear Ines,\nplease look at this.\nHaas M. Lamps. J Sleep. 2004;3:1.\nRegards\nMirela\n"],
]);

it('refuses a list that is longer than anybody prints', function () {
    $line = "Kolbe A, Haas M. Dim lamps in wards: a trial. J Sleep. 2004;3:12-9.\n";
    expect(fn () => printed(str_repeat($line, 40_000)))->toThrow(UnusableFile::class, 'two megabytes')
        ->and(fn () => printed("References\n"))->toThrow(UnusableFile::class, 'known format');
});
