<?php

use WaryHeron\Core\Bibliography\Format\Mods\ModsReader;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Standins\Alder\ModsText;
use WaryHeron\Standins\Corpus\StudyWriter;

it('tells our reader everything that the stand-in knows of a study', function () {
    foreach (range(1, 60) as $number) {
        $study = (new StudyWriter)->study($number);
        $document = new DOMDocument;
        $document->loadXML(ModsText::of(get_object_vars($study) + ['identifier' => "0091-{$number}"]));
        $read = (new ModsReader)->reference($document->documentElement);
        expect([$read->title, $read->abstract, $read->year, $read->journal, $read->journalShort, $read->issn, $read->volume, $read->issue, $read->firstPage, $read->lastPage, $read->doi, $read->keywords, $read->accession])
            ->toBe([$study->title, $study->abstract, $study->year, $study->journal[0], $study->journal[1], $study->journal[2], $study->volume, $study->issue, $study->firstPage, $study->lastPage, $study->doi, $study->ideas, "0091-{$number}"]);
        expect($read->authors)->toEqual(array_map(fn (array $a): Name => new Name(...$a), $study->authors));
    }
});
