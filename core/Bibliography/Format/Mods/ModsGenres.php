<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Mods;

use WaryHeron\Core\Bibliography\PublicationType;

/** @internal The genres of MODS records, which libraries word freely. */
final class ModsGenres
{
    public static function of(PublicationType $type): string
    {
        return match ($type) {
            PublicationType::Article => 'journal article',
            PublicationType::Conference => 'conference publication',
            PublicationType::Chapter => 'book chapter',
            PublicationType::RegisterEntry => 'register entry',
            default => $type->value,
        };
    }

    /**
     * What the first of them says that says any.
     *
     * @param  list<string>  $genres
     */
    public static function type(array $genres): ?PublicationType
    {
        foreach ($genres as $genre) {
            $genre = strtolower($genre);
            $type = match (true) {
                str_contains($genre, 'conference') => PublicationType::Conference,
                str_contains($genre, 'chapter') => PublicationType::Chapter,
                str_contains($genre, 'thesis') => PublicationType::Thesis,
                str_contains($genre, 'preprint') => PublicationType::Preprint,
                $genre === 'other' => PublicationType::Other,
                str_contains($genre, 'register entry') => PublicationType::RegisterEntry,
                $genre === 'book' => PublicationType::Book,
                $genre === 'report' => PublicationType::Report,
                str_contains($genre, 'article') => PublicationType::Article,
                default => null,
            };
            if ($type !== null) {
                return $type;
            }
        }

        return null;
    }
}
