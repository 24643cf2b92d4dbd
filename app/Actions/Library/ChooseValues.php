<?php

declare(strict_types=1);

namespace App\Actions\Library;

use App\Actions\Shared\WriteLog;
use App\Models\Publication;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/**
 * Shows other values of a publication than its records give by the rules. The records stay; who chose what and when is
 * kept.
 */
final readonly class ChooseValues
{
    public const FIELDS = [
        'title',
        'authors',
        'year',
        'journal',
        'volume',
        'issue',
        'pages',
        'doi',
        'abstract',
        'language',
        'type',
    ];

    public function __construct(private PublicationFromRecords $values, private WriteLog $log)
    {
    }

    /** @param  array<string, ?string>  $values  by field; null lets the rules decide again */
    public function execute(User $by, Publication $publication, array $values): void
    {
        DB::transaction(function () use ($by, $publication, $values): void {
            $publication = $publication->locked();
            $publication->update(['chosen' => self::chosen($by, $publication->chosen, $values)]);
            $this->values->refresh($publication);
            $words = "Mended “{$publication->title}”";
            ($this->log)($publication->review_id, $by, 'publication.mended', $words, $publication, $values);
        });
    }

    /**
     * @param  array<string, array<string, string>>  $chosen  by field
     * @param  array<string, ?string>  $values
     * @return array<string, array<string, string>>
     */
    private static function chosen(User $by, array $chosen, array $values): array
    {
        $at = now()->toIso8601String();
        foreach ($values as $field => $value) {
            if ($value === null) {
                unset($chosen[$field]);
            } else {
                $chosen[$field] = ['field' => $field, 'value' => $value, 'by' => $by->name, 'at' => $at];
            }
        }

        return $chosen;
    }
}
