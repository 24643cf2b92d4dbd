<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format;

use WaryHeron\Core\Bibliography\PublicationType;

/** The kind of a work as people and programs word it: “Journal Article”, “doctoral thesis”. */
final class SaidType
{
    /** What a word says, the plainer before those it may stand beside. */
    private const WORDS = [
        'article' => PublicationType::Article,
        'conference' => PublicationType::Conference,
        'meeting' => PublicationType::Conference,
        'proceeding' => PublicationType::Conference,
        'chapter' => PublicationType::Chapter,
        'section' => PublicationType::Chapter,
        'thesis' => PublicationType::Thesis,
        'dissertation' => PublicationType::Thesis,
        'preprint' => PublicationType::Preprint,
        'register' => PublicationType::RegisterEntry,
        'registry' => PublicationType::RegisterEntry,
        'report' => PublicationType::Report,
        'book' => PublicationType::Book,
        'journal' => PublicationType::Article,
        'review' => PublicationType::Article,
        'editorial' => PublicationType::Article,
        'letter' => PublicationType::Article,
    ];

    /** An article where nothing is said, Other where the words say nothing. */
    public static function of(string $text): PublicationType
    {
        $plain = strtolower(trim($text));
        if ($plain === '') {
            return PublicationType::Article;
        }
        $own = PublicationType::tryFrom($plain);
        foreach ($own === null ? self::WORDS : [] as $word => $type) {
            if (str_contains($plain, $word)) {
                return $type;
            }
        }

        return $own ?? PublicationType::Other;
    }
}
