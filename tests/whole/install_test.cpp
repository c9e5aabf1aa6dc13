// What the package is made of: installed somewhere, it starts by itself, and desktops find it.
#include <gtest/gtest.h>

#include <filesystem>

#include "support/process.h"
#include "support/temp.h"

namespace mezzet {
namespace install_test {
using test::Answer;
using test::run;

class Installed : public testing::Test {
 protected:
  static void SetUpTestSuite() {
    root_ = test::ownFile("mezzet-installed");
    std::filesystem::remove_all(root_);
    const Answer made = run("cmake --install " MEZZET_BUILD_DIR " --prefix " + root_ + " 2>&1");
    ASSERT_EQ(made.code, 0) << made.out;
  }
  static void TearDownTestSuite() { std::filesystem::remove_all(root_); }
  static std::string root_;
};
std::string Installed::root_;

TEST_F(Installed, TheProgramPaintsItsDemo) {
  const std::string home =
      "XDG_CONFIG_HOME=" + root_ + "/home XDG_STATE_HOME=" + root_ + "/home QT_QPA_PLATFORM=offscreen ";
  const Answer a = run("cd / && " + home + root_ + "/bin/mezzet --first-paint " + root_ +
                       "/share/mezzet/demo/ferry-house.mezzet 2>/dev/null");
  EXPECT_EQ(a.code, 0) << a.out;
  EXPECT_EQ(a.out.rfind("first paint", 0), 0U) << a.out;
}
TEST_F(Installed, TheCommandLineReadsItsDemo) {
  EXPECT_EQ(run(root_ + "/bin/mezzet-cli validate " + root_ + "/share/mezzet/demo/ferry-house.mezzet").code, 0);
}
TEST_F(Installed, PicturesAreTakenOfAJobWithoutReadings) {
  const std::string home =
      "XDG_CONFIG_HOME=" + root_ + "/home XDG_STATE_HOME=" + root_ + "/home QT_QPA_PLATFORM=offscreen ";
  const Answer a = run(home + root_ + "/bin/mezzet --shots " + root_ +
                       "/shots " MEZZET_SOURCE_DIR "/tests/io/jobs/version-1.json 2>/dev/null");
  EXPECT_EQ(a.code, 0) << a.out;
  EXPECT_NE(a.out.find("floor.png"), std::string::npos) << a.out;
}
TEST_F(Installed, TheMenuEntryIsSound) {
  const Answer a = run("desktop-file-validate " + root_ + "/share/applications/mezzet.desktop 2>&1");
  EXPECT_EQ(a.code, 0) << a.out;
  EXPECT_EQ(a.out, "");
}
TEST_F(Installed, TheMenuEntryHasItsIcon) {
  EXPECT_TRUE(std::filesystem::exists(root_ + "/share/icons/hicolor/scalable/apps/mezzet.svg"));
}
TEST_F(Installed, TheSoftwareCentreDataIsSound) {
  const Answer a =
      run("appstreamcli validate --no-net " + root_ + "/share/metainfo/org.mezzet.Mezzet.metainfo.xml 2>&1");
  EXPECT_EQ(a.code, 0) << a.out;
}
TEST_F(Installed, JobsHaveAFileType) {
  ASSERT_EQ(run("update-mime-database " + root_ + "/share/mime 2>&1").code, 0);
  const Answer a = run("grep -h '\\*.mezzet' " + root_ + "/share/mime/globs");
  EXPECT_EQ(a.out, "application/x-mezzet-job:*.mezzet\n");
}
TEST_F(Installed, NoPathOfTheBuildIsLeft) {
  EXPECT_EQ(run("grep -c " MEZZET_SOURCE_DIR " " + root_ + "/share/mezzet/fonts/fonts.conf " + root_ +
                "/share/applications/mezzet.desktop")
                .code,
            1);
}

}  // namespace install_test
}  // namespace mezzet
