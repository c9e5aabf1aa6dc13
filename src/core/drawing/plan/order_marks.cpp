#include "core/drawing/plan/order_marks.h"

#include "core/drawing/base/drafting.h"

namespace mezzet {

void addOrderMarks(Drawing& d, const std::vector<OrderMark>& marks) {
  constexpr double kOrderCircle = 3.6, kChosenRing = 1.3, kBlankOff = 2.4;  // mm of paper
  for (const OrderMark& mark : marks) {
    if (mark.selected)
      d.add(Layer::Working, mark.id.value,
            ArcItem{mark.at,
                    (kOrderCircle + kChosenRing) * d.scale,
                    0,
                    360,
                    Ink::Accent,
                    {Ink::Ink, kFurnitureLine, Dash::Solid}});
    d.add(Layer::Working, mark.id.value,
          ArcItem{mark.at,
                  kOrderCircle * d.scale,
                  0,
                  360,
                  mark.done ? Ink::Ink : Ink::Paper,
                  {Ink::Ink, kFurnitureLine, Dash::Solid}});
    // A label, so that other words keep clear of it: blanks over and under it are as high as the circle.
    Label number;
    number.layer = Layer::Working;
    number.id = ItemId(mark.id.value);
    number.rank = Rank::Tape;
    number.needed = true;
    const auto line = [&](double up, const std::string& words) {
      return TextItem{mark.at + Vec2{0, up * d.scale},   words,    kSmallLetters, Align::Centre, 0,
                      mark.done ? Ink::Paper : Ink::Ink, Ink::None};
    };
    number.spots.push_back(
        {line(0, "  " + std::to_string(mark.number) + "  "), line(kBlankOff, "      "), line(-kBlankOff, "      ")});
    d.add(std::move(number));
  }
}

}  // namespace mezzet
