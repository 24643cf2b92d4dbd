<?php

declare(strict_types=1);

namespace WaryHeron\Core\Flow;

/** What each number of the flow diagram counts here, in a sentence. */
final class Definitions
{
    private const OF = [
        'previous-studies' => 'Studies that the version before had included when it was held fast.',
        'previous-reports' => 'Reports of those studies.',
        'identified' => 'Records that databases and registers brought and that could be read; those of deliveries that were withdrawn are left out.',
        'other-identified' => 'Records that came by other ways: reference lists, websites, people.',
        'source' => 'Records of this source that could be read.',
        'removed' => 'Records less the publications that they tell of, and publications that people took out.',
        'duplicates-machine' => 'Records of a publication beyond its first that were joined without a person’s asking: exact ones as they came, and certain ones when all were compared.',
        'duplicates-people' => 'Records of a publication beyond its first that people joined.',
        'other-duplicates' => 'Records of other ways that tell of a publication already here.',
        'automation' => 'Nothing is left out by machine here: an order is learned, and people decide.',
        'removed-otherwise' => 'Publications that people took out of the review before they were judged, each with a reason.',
        'screened' => 'Publications with all the decisions that the first stage asks for, and no open disagreement.',
        'pending' => 'Publications whose decisions at the first stage are not all in, or which people disagree on.',
        'excluded' => 'Publications excluded at the first stage.',
        'sought' => 'Reports that the first stage included.',
        'not-retrieved' => 'Reports whose text people gave up to find, with the reason.',
        'awaited' => 'Reports whose text is still sought.',
        'assessed' => 'Reports judged in full text.',
        'full-pending' => 'Reports at hand whose decisions in full text are not all in, or which people disagree on.',
        'full-excluded' => 'Reports excluded in full text, by the one main reason.',
        'studies' => 'Studies that the included reports tell of; a report linked with none stands for a study of its own.',
        'reports' => 'Reports included in full text.',
        'included' => 'Publications that the last stage included.',
        'all-studies' => 'Studies of the version before and new ones together.',
        'all-reports' => 'Reports of both.',
    ];

    /** @param  string  $key  of a line; what it is by part or source alone counts as its kind; empty where there is none */
    public static function of(string $key): string
    {
        $whole = preg_replace('/^other-(?!identified|duplicates)/', '', explode(':', $key)[0]) ?? $key;

        return self::OF[$key] ?? self::OF[$whole] ?? '';
    }
}
