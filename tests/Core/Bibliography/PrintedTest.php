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
        'Ito, K. | 2006 | Visors for the nurses of the night | Proc. Night Conf. 1–4 | ',
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
        'Haas, M. | 2011 | Lamps and their lux | Rotas of the night 33–41 | ',
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
        'Strand, B. | 2016 | Night work and falls: A cohort | Occupational Wards 73(12):801 | ',
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
    'of physicians, a day and others' => [
        '2 Strömberg H et al. 12-hour shifts: for and against. BMJ Nights 2016; 6:e010000. doi: 10.99999/bmjn-2015',
        'Strömberg, H; et al. | 2016 | 12-hour shifts: for and against | BMJ Nights 6:e010000 | 10.99999/bmjn-2015',
    ],
    'of naturalists, initials with stops' => [
        'Haas, M. & Kolbe, A. B. Clock genes in night nurses. Chronolog. Lett. 512, 88–93 (2014).',
        'Haas, M.; Kolbe, A. B. | 2014 | Clock genes in night nurses | Chronolog. Lett 512:88–93 | ',
    ],
    'of Germany' => [
        'Haas, Mira; Kolbe, Anna (2012): Schichtarbeit und Schlaf. In: Zeitschrift für Nachtarbeit 14 (2), S. 55–63.',
        'Haas, Mira; Kolbe, Anna | 2012 | Schichtarbeit und Schlaf | Zeitschrift für Nachtarbeit 14(2):55–63 | ',
    ],
    'of Sweden' => [
        'Falk, Elin & Quist, Britt (2014) ”Vem sover?”, Vårdens nätter, vol. 3, nr 2, s. 14–20.',
        'Falk, Elin; Quist, Britt | 2014 | Vem sover? | Vårdens nätter 3(2):14–20 | ',
    ],
    'of France' => [
        'Dupont A., Lefèvre B. et Moreau C. (2012). Le sommeil de nuit. Revue du Travail de Nuit, vol. 22, n° 3, p. 45-60.',
        'Dupont, A; Lefèvre, B; Moreau, C | 2012 | Le sommeil de nuit | Revue du Travail de Nuit 22(3):45–60 | ',
    ],
    'of Russia' => [
        'Иванов И.И., Петров П.П. Ночная смена и сон. Гигиена ночи. 2015;12(3):45-50.',
        'Иванов, И.И.; Петров, П.П. | 2015 | Ночная смена и сон | Гигиена ночи 12(3):45–50 | ',
    ],
    'parted by commas alone' => [
        '[2] P. Dahl, S. Vik, A. Moe, Glare at night: a review, Build. Nights 155 (2019) 106432.',
        'Dahl, P.; Vik, S.; Moe, A. | 2019 | Glare at night: a review | Build. Nights 155:106432 | ',
    ],
    'a footnote' => [
        'Ken Ito, “Night Trains and Night Nurses,” History of Work 14, no. 1 (2003): 9.',
        'Ito, Ken | 2003 | Night Trains and Night Nurses | History of Work 14(1):9 | ',
    ],
    'a title that begins with what somebody said' => [
        'Quist BA, Wu J-P. "Every night is Monday": a study of porters. Qual Nights Res 2014;24:1502-12.',
        'Quist, BA; Wu, J-P | 2014 | "Every night is Monday": a study of porters | Qual Nights Res 24:1502–12 | ',
    ],
    'seven and the last' => [
        'Nyqvist, O., Berg, K., . . . Moe, A. (2013). Sleepiness across Europe. Journal of Night Research, 24(3), 242–253.',
        'Nyqvist, O.; Berg, K.; Moe, A. | 2013 | Sleepiness across Europe | Journal of Night Research 24(3):242–253 | ',
    ],
    'a group alone' => [
        'Lamp Trial Group. Bright light on wards: a trial. Lancaster Med. 2020;395(10221):441-50. PMID: 31111111',
        'Lamp Trial Group | 2020 | Bright light on wards: a trial | Lancaster Med 395(10221):441–50 | ',
    ],
    'two bodies' => [
        'European Night Society; Nordic Sleep Council. Guidelines on shift work. Eur J Nights. 2019;28(3):100-130.',
        'European Night Society; Nordic Sleep Council | 2019 | Guidelines on shift work | Eur J Nights 28(3):100–130 | ',
    ],
    'in another language' => [
        'Quist B, Falk E. Shift length and burnout [in Swedish]. Vårdnatt. 2015;71(8):14-19.',
        'Quist, B; Falk, E | 2015 | Shift length and burnout | Vårdnatt 71(8):14–19 | ',
    ],
    'not out yet' => [
        'Ito K, Okafor I. Rotas and mood. Night Health 2022; published online March 3. https://doi.org/10.99999/nh.22.',
        'Ito, K; Okafor, I | 2022 | Rotas and mood | Night Health | 10.99999/nh.22',
    ],
    'a chapter, its editors behind it' => [
        'Nes, Ragnhild. 2011. “Porters.” In The Unseen Hospital, edited by Siv Brandvold, 88–102. London: Fen House.',
        'Nes, Ragnhild | 2011 | Porters | The Unseen Hospital 88–102 | ',
    ],
    'a chapter, its town behind its publisher' => [
        'Ito K (2009) Shift work. In: Haas M, Ek L (eds) Textbook of night work, 2nd edn. Fen House, Lund, pp 211–230',
        'Ito, K | 2009 | Shift work | Textbook of night work 211–230 | ',
    ],
    'a chapter, its pages behind the year' => [
        'Falk E. Night fatigue. In: Quist B, ed. Manual of Wards. 4th ed. Lund, Sweden: Fen House; 2010:211-225.',
        'Falk, E | 2010 | Night fatigue | Manual of Wards 211–225 | ',
    ],
    'nothing behind the title' => [
        'World Council of Wards. (2018). Lamps at work: guidance for nights. https://example.org/guidance',
        'World Council of Wards | 2018 | Lamps at work: guidance for nights |  | ',
    ],
    'a body' => [
        'Night Council of the Wards. Lamps at work. Lund: Fen House; 2012.',
        'Night Council of the Wards | 2012 | Lamps at work |  | ',
    ],
    'given names ahead' => [
        '[3] Patricia S. Abel, K. Brad Wren, and Robert Plat. 2007. The lamp holder’s dilemma: Dim, dark, or out? Commun. Nights 50, 1 (Jan. 2007), 36–44. https: //doi.org/10.71111/cn',
        'Abel, Patricia S.; Wren, K. Brad; Plat, Robert | 2007 | The lamp holder’s dilemma: Dim, dark, or out? | Commun. Nights 50(1):36–44 | 10.71111/cn',
    ],
    'an initial before a given name' => [
        'Batt, C. Dana. “How Late Is the Night? The Ward and the Lamp.” Night Psychologist 45 (March 1990): 336–46.',
        'Batt, C. Dana | 1990 | How Late Is the Night? The Ward and the Lamp | Night Psychologist 45:336–46 | ',
    ],
    'of physicists, without a title' => [
        '[8] X. Falk, S. Ley, and H. Wick, Opt. Nights 24, 771 (1999).',
        'Falk, X.; Ley, S.; Wick, H. | 1999 |  | Opt. Nights 24:771 | ',
    ],
    'an issue of a year' => [
        'Adrian, Hedda und Kern, Ute (Aug. 2005): Neue Lampen im Bau, in: Nachtheft 3 / 2005 (17. Jg.), S. 47–58.',
        'Adrian, Hedda; Kern, Ute | 2005 | Neue Lampen im Bau | Nachtheft 17(3):47–58 | ',
    ],
    'small Roman pages, and what became of it' => [
        '17. Chad R, Schuk U. The politics of lamps. Nightethics. 2002;16(2):iii-v. Erratum in: Nightethics 2003;17:1.',
        'Chad, R; Schuk, U | 2002 | The politics of lamps | Nightethics 16(2):iii–v | ',
    ],
    'publisher and town behind a semicolon' => [
        '(6 ) Augst, R. L., Dim Lamps for the Ward; Fen House: Lund, 1995.',
        'Augst, R. L. | 1995 | Dim Lamps for the Ward |  | ',
    ],
    'particles behind' => [
        'Cruz, M. J. de la & Berg, J.-P. van der. (2008) Naps at work. The Lamp, 113, 88–98.',
        'de la Cruz, M. J.; van der Berg, J.-P. | 2008 | Naps at work | The Lamp 113:88–98 | ',
    ],
    'initials ahead without stops' => [
        '2. T Abebe; MJ Strand. Naps at work. Lamp 113, 1588–1598 (1998)',
        'Abebe, T; Strand, MJ | 1998 | Naps at work | Lamp 113:1588–1598 | ',
    ],
    'commas behind a year in brackets' => [
        'Ude, M. (2004) Naps at work: an interview study, The Lamp, 114 (2), pp. S24–S30. DOI:10.79550/nm.1',
        'Ude, M. | 2004 | Naps at work: an interview study | The Lamp 114(2):S24–S30 | 10.79550/nm.1',
    ],
    'an address in angle brackets' => [
        '1. Ude M. Naps at work. Lamp. 2004; 114:S24-S30. <https://doi.org/10.79550/nm.1>.',
        'Ude, M | 2004 | Naps at work | Lamp 114:S24–S30 | 10.79550/nm.1',
    ],
    'parted by slashes' => [
        'Lopez, Ana/de la Cruz, Maja (1998): Naps at work: In: The Lamp 113, 15–18.',
        'Lopez, Ana; de la Cruz, Maja | 1998 | Naps at work | The Lamp 113:15–18 | ',
    ],
    'all family names first, without initials' => [
        'Garcia Lind, Ana, Petrov, Ivan, & Ito, Ken. (2003). Naps at work. Nocturne, 76, e1299.',
        'Garcia Lind, Ana; Petrov, Ivan; Ito, Ken | 2003 | Naps at work | Nocturne 76:e1299 | ',
    ],
    'a month in French' => [
        'SINGH, R., et P. ROSSI (novembre 2002). « Naps at work », Chronobiology & Work, vol. 98, n° 4, p. S34‑S40.',
        'SINGH, R.; ROSSI, P. | 2002 | Naps at work | Chronobiology & Work 98(4):S34–S40 | ',
    ],
    'volume and issue by a slash' => [
        'Strand, B. (2019). ‘Naps at work’, Journal of Night Medicine, 71/2: 851–69.',
        'Strand, B. | 2019 | Naps at work | Journal of Night Medicine 71(2):851–69 | ',
    ],
    'of Brazil' => [
        'MOREAU, Claire. Naps at work. The Lamp, v. 54, n. 2, p. 32–38, maio 1993.',
        'MOREAU, Claire | 1993 | Naps at work | The Lamp 54(2):32–38 | ',
    ],
    'kinds by letters' => [
        '[9] HAAS M. Naps at work[J/OL]. Night Medicine, 1997, 109(11): e1322.',
        'HAAS, M | 1997 | Naps at work | Night Medicine 109(11):e1322 | ',
    ],
    'editors behind their book' => [
        'Marsh, R. (2008). Naps at work. In Medicine for Wards, F. Alister, ed. (London: Lantern Press), pp. 275–295.',
        'Marsh, R. | 2008 | Naps at work | Medicine for Wards 275–295 | ',
    ],
    'editors in brackets' => [
        'Lind L, Wren P (2017) Naps at work. In: Handbook of Nights (eds. Lund O, Abebe T). Lantern Press, London, pp. 286–306.',
        'Lind, L; Wren, P | 2017 | Naps at work | Handbook of Nights 286–306 | ',
    ],
    'an edition and a publisher without a town' => [
        '27. Marsh R, Rossi P. Naps at work. In: Alister F, ed. Medicine for Wards. 2nd ed. Lantern Press; 2008:275-295.',
        'Marsh, R; Rossi, P | 2008 | Naps at work | Medicine for Wards 275–295 | ',
    ],
    'a meeting without a word before it' => [
        'Ito, K. 1993. Naps at work. Proceedings of the 9th Night Congress, 334–340. Fen House, Lund.',
        'Ito, K. | 1993 | Naps at work | Proceedings of the 9th Night Congress 334–340 | ',
    ],
    'where it is cited' => [
        '[12] Ann Ode and Bo Lind. “Dim wards.” Night Work 14 (2006), 1–2 (cit. on p. 24).',
        'Ode, Ann; Lind, Bo | 2006 | Dim wards | Night Work 14:1–2 | ',
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

it('tells theses, reports, preprints, meetings and editions by what is said behind the title', function (
    string $line,
    string $type,
    string $title,
    string $edition = '',
) {
    $read = printed($line)[0];
    expect([$read->type->value, $read->title, $read->edition])->toBe([$type, $title, $edition]);
})->with([
    ['Kolbe A. Sleep of nurses [dissertation]. Bergen: University of the Fjords; 2016.', 'thesis', 'Sleep of nurses'],
    ['S. Haas, “Ward light,” Ph.D. dissertation, Univ. Fjords, Bergen, 2019.', 'thesis', 'Ward light'],
    ['Haas M. Lamps before dawn [preprint]. NightRxiv. 2022 [cited 2023 Jan 4].', 'preprint', 'Lamps before dawn'],
    ['Night Council. (2021). Light at work (Report No. 12). https://nc.example/light', 'report', 'Light at work'],
    ['Night Council. Annual report 2014. Oslo: Night House; 2015. Report No.: 3.', 'report', 'Annual report 2014'],
    ['Haas, M. (2014, May 12). Lamps [Paper presentation]. 9th Night Congress, Bergen.', 'conference', 'Lamps'],
    ['Berg, K. (2007). Sleep: Why (3rd ed., Vol. 2). Oslo, Norway: Fen House.', 'book', 'Sleep: Why', '3'],
    ['Vik, S. E. Night work: a primer 2nd edn (Fen House, 2014).', 'book', 'Night work: a primer', '2'],
    ['I. Okafor, Light Measurement, 3rd ed. Lund: Fen House, 2012.', 'book', 'Light Measurement', '3'],
]);

it('makes lines whole that a page broke, wherever a reference begins', function (string $text, array $titles) {
    expect(array_column(printed($text), 'title'))->toBe($titles);
})->with([
    'numbers without a stop' => [
        "1 Haas M, Kolbe A. Naps on night\nduty. BMC Nights 2021; 21: 884.\n2 Ito K. Rotas. Night Health 2022; 3: 1.\n",
        ['Naps on night duty', 'Rotas'],
    ],
    'set in' => [
        "Quist, B., & Falk, E. (2019). Self-\n    rostering and sleep. Journal of Rosters, 7(2),\n    88–104.\nFalk, E. (2012). Nights in the ward. Fen House.\n",
        ['Self-rostering and sleep', 'Nights in the ward'],
    ],
    'by names alone' => [
        "Falk E, Quist B. Results of a national sur-\nvey. J Nurs Safe. 2013;29(4):\n321-8.\nQuist B. Shift\nlength. Vårdnatt.\n2015;71:14.\n",
        ['Results of a national survey', 'Shift length'],
    ],
    'a group behind the place of another' => [
        "Ito MJ. Lamps and errors in\npharmacies. Alert J. 2018;9(1):e17.\nFjord Ward Group. Rosters and\nrest. 2nd ed. Bergen: Fen House; 2011.\nHaas M. Naps. Alert J.\n2019;10:1-9.\nAvailable from: https://al.example/naps\n",
        ['Lamps and errors in pharmacies', 'Rosters and rest', 'Naps'],
    ],
    'an address that goes on behind a stop' => [
        "Falk, E. (2017). Nights. Annals of Nights, 14(2), 810–818. https://doi.org/10.71111/an.\n    2017.810\nHaas, M. (2018). Naps. Annals of Nights, 15(1), 1–9.\n",
        ['Nights', 'Naps'],
    ],
    'letters and years as marks' => [
        "[Fal14] E. Falk, B. Quist: Modelling of night rosters.\nOper. Nights 62(3), 511–529 (2014)\n[QS16] B. Quist: Lamps. Oper. Nights 63, 1–9 (2016)\n",
        ['Modelling of night rosters', 'Lamps'],
    ],
]);

it('has an address whole that goes on in the next line, and none that the next line only follows', function () {
    $list = printed("1. Falk E. Nights. Night Sci. 2017;14:810-8. https://doi.org/10.71111/an.\n2017.810\n2. Haas M. Naps. Night Sci. 2018;15:1-9. doi:10.71111/na.1.\nEpub ahead of print.\n");
    expect(array_column($list, 'doi'))->toBe(['10.71111/an.2017.810', '10.71111/na.1'])
        ->and(array_column($list, 'journal'))->toBe(['Night Sci', 'Night Sci']);
});

it('reads each reference in the way that most of its list are written', function () {
    $list = printed(<<<'LIST'
    [1] Anna Kolbe, Mira Haas, and Ken Ito. 2014. Lamps of wards. Fen House, Lund.
    [2] Patrick W. Dale. 2009. Night numbers and citations of wards. Fen House, Lund.
    [3] Night Lamp Project. 2019. Lamps by number. Retrieved May 27, 2019 from http://nlp.example
    [4] R Lamp Team. 2019. Lamps: a language of wards. Lamp Foundation, Lund.
    [5] Ora Lind. Rotas of the night, August 2009. http://ol.example
    [6] Night Work Agency, Naps in wards, Lantern Press, London, 1993.
    [7] What nobody dated
    LIST);
    expect(array_map(fn (Reference|UnreadableRecord $one): string => $one instanceof Reference ? toldOf($one) : 'untold', $list))->toBe([
        'Kolbe, Anna; Haas, Mira; Ito, Ken | 2014 | Lamps of wards |  | ',
        'Dale, Patrick W. | 2009 | Night numbers and citations of wards |  | ',
        'Night Lamp Project | 2019 | Lamps by number |  | ',
        'R Lamp Team | 2019 | Lamps: a language of wards |  | ',
        'Lind, Ora | 2009 | Rotas of the night |  | ',
        'Night Work Agency | 1993 | Naps in wards |  | ',
        'untold',
    ]);
});

it('takes a dash, or a year without names, for the names above', function () {
    $list = printed("Okafor, I. (2004). Lamps of wards. Night Work, 3, 1–9.\n".
        "— (2005). Rotas of wards. Night Work, 4, 1–9.\n(2006). Naps of wards. Night Work, 5, 1–9.\n");
    expect(array_map(toldOf(...), $list))->toBe([
        'Okafor, I. | 2004 | Lamps of wards | Night Work 3:1–9 | ',
        'Okafor, I. | 2005 | Rotas of wards | Night Work 4:1–9 | ',
        'Okafor, I. | 2006 | Naps of wards | Night Work 5:1–9 | ',
    ]);
});

it('is not misled by numbers that begin lines and do not count on', function (string $text, array $titles) {
    expect(array_column(printed($text), 'title'))->toBe($titles);
})->with([
    'pages' => [
        "1. Kolbe A. Lamps of wards. J Sleep. 2004;3:909-\n11. Epub 2004 Jan 2.\n2. Ito K. Visors of wards. J Sleep. 2005;4:1.\n",
        ['Lamps of wards', 'Visors of wards'],
    ],
    'particles' => [
        "10 Kolbe A. Lamps of wards. J Sleep. 2004;3:9.\n11 van der Berg J. Visors of wards. J Sleep. 2005;4:1.\n",
        ['Lamps of wards', 'Visors of wards'],
    ],
    'years' => [
        "1 Kolbe A. Lamps of wards. J Sleep.\n2004 Mar;3:9.\n2 Ito K. Visors of wards. J Sleep. 2005;4:1.\n".
            "3 21 lamps may sting. BMJ Nights. 2005;4:2.\n",
        ['Lamps of wards', 'Visors of wards', '21 lamps may sting'],
    ],
]);

it('takes a list apart by blank lines though one line is set in', function () {
    $text = "  Kolbe, A. (2004). Dim lamps in wards: a trial of sleep. Journal of Sleep, 3(2), 41–\n50.\n\n".
        "Ito, K. & Ek, L. (2005a). Visors for nurses of the\nnight. In F.-J. Rad & S. Kron (Eds.), Lamps and Lux (pp. 1–\n9). Lund: Fen House.\n\nUde, M. (2006). Nights of wards. Night Work, 5, 1–9.\n";
    expect(array_column(printed($text), 'title'))
        ->toBe(['Dim lamps in wards: a trial of sleep', 'Visors for nurses of the night', 'Nights of wards']);
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
        'Ito, K. | 2005 | Visors for nurses of the night | Lamps and Lux 4:1–9 | ',
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
