<?php

declare(strict_types=1);

namespace App\Actions\Archive;

use App\Actions\Report\ReadReport;
use App\Files\MadeKind;
use App\Files\Out\ArchiveWriter;
use App\Files\Out\OpenFiles;
use App\Files\Out\ReportDownload;
use App\Files\StoredCopy;
use App\Files\TemporaryFolder;
use App\Models\MadeFile;
use App\Models\Report;
use App\Models\Review;
use App\Models\User;
use App\View\Report\ReportFile;
use Illuminate\Support\Str;

/** Makes a file of a review and keeps it to be taken away. */
final readonly class MakeReviewFile
{
    public function __construct(private WriteArchive $archive, private OpenFiles $open, private ReadReport $read)
    {
    }

    /** @param  \Closure(int $done, int $total): void  $told */
    public function execute(User $by, Review $review, MadeKind $kind, \Closure $told): MadeFile
    {
        $folder = TemporaryFolder::make();
        try {
            $path = "{$folder}/made";
            match ($kind) {
                MadeKind::Pdf, MadeKind::Document => file_put_contents($path, $this->report($review, $kind)),
                MadeKind::Supplements => $this->supplements($by, $review, $path),
                default => $this->archive->execute($by, $review, $path, $kind === MadeKind::Archive, $told),
            };

            return self::kept($by, $review, $kind, $path);
        } finally {
            TemporaryFolder::remove($folder);
        }
    }

    private static function kept(User $by, Review $review, MadeKind $kind, string $path): MadeFile
    {
        $id = strtolower((string) Str::ulid());
        StoredCopy::keep($path, "made/{$id}");

        return MadeFile::query()->create([
            'id' => $id,
            'review_id' => $review->id,
            'kind' => $kind,
            'name' => self::name($review, $kind),
            'stored' => "made/{$id}",
            'bytes' => filesize($path),
            'sha256' => hash_file('sha256', $path),
            'user_id' => $by->id,
        ]);
    }

    private static function name(Review $review, MadeKind $kind): string
    {
        $title = Str::slug(Str::limit($review->title, 60, ''));

        return "{$title}-{$kind->value}-".now()->format('Y-m-d').".{$kind->ending()}";
    }

    private function report(Review $review, MadeKind $kind): string
    {
        $report = $this->read->execute(Report::of($review)->firstOrFail());

        return $kind === MadeKind::Pdf
            ? ReportDownload::pdf(ReportFile::of($review, $report, ReportFile::PAGE)->html())
            : ReportDownload::document(ReportFile::of($review, $report, ReportFile::DOCUMENT)->html(), 'docx');
    }

    private function supplements(User $by, Review $review, string $path): void
    {
        $folder = TemporaryFolder::make();
        try {
            $writer = new ArchiveWriter($folder);
            foreach ($this->open->of($review->refresh(), $by) as $name => $pieces) {
                $writer->add($name, $pieces);
            }
            $writer->pack($path);
        } finally {
            TemporaryFolder::remove($folder);
        }
    }
}
