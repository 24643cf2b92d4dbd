<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Nbib;

use WaryHeron\Core\Bibliography\PublicationType;

/** What the publication kinds (PT) of tagged text mean. */
final class NbibKinds
{
    private const KINDS = [
        'Journal Article' => PublicationType::Article,
        'Conference Abstract' => PublicationType::Conference,
        'Book Chapter' => PublicationType::Chapter,
        'Book' => PublicationType::Book,
        'Thesis' => PublicationType::Thesis,
        'Technical Report' => PublicationType::Report,
        'Preprint' => PublicationType::Preprint,
        'Register Entry' => PublicationType::RegisterEntry,
        'Other' => PublicationType::Other,
    ];

    public static function type(string $kind): ?PublicationType
    {
        $kind = mb_strtolower($kind);
        foreach (self::KINDS as $name => $type) {
            if ($kind === mb_strtolower($name)) {
                return $type;
            }
        }

        return match (true) {
            str_contains($kind, 'congress'),
            str_contains($kind, 'conference'),
            str_contains($kind, 'meeting abstract') => PublicationType::Conference,
            str_contains($kind, 'dissertation') => PublicationType::Thesis,
            str_contains($kind, 'article') => PublicationType::Article,
            default => null,
        };
    }

    public static function kind(PublicationType $type): string
    {
        return (string) array_search($type, self::KINDS, true);
    }
}
